import { compare } from "./compare";
import type { Ask } from "./finding";
import { given } from "./given";
import { greatestLeast } from "./greatest-least";
import type { Kind } from "./kind";
import { meet } from "./meet";
import { multiply } from "./multiply";
import { rate } from "./rate";
import { reach } from "./reach";
import { reachAny } from "./reach-any";
import { totalAverage } from "./total-average";
import { value } from "./value";
import { where } from "./where";

/** Two kinds of question may share a room. */
type Sharing<K extends Ask> = K extends "greatest" | "least"
  ? "greatest" | "least"
  : K extends "total" | "average"
    ? "total" | "average"
    : K;

/**
 * The room of every kind of question; one without a room does not compile. Lines are read, and
 * questions suggested, in this order.
 */
const ROOMS: { readonly [K in Ask]: Kind<Sharing<K>> } = {
  compare,
  meet,
  // Before the plain one: a list is no number.
  "reach-any": reachAny,
  reach,
  where,
  greatest: greatestLeast,
  least: greatestLeast,
  multiply,
  total: totalAverage,
  average: totalAverage,
  rate,
  given,
  value,
};

/** Each room once, in the order in which they read a line. */
export const KINDS = [...new Set(Object.values(ROOMS))] as unknown as readonly Kind<Ask>[];

/** The room of a question, or of its answer. What belongs to one kind is only ever handed to the room of that kind. */
export const roomOf = (of: { readonly ask: Ask }): Room => ROOMS[of.ask] as unknown as Room;
/** A room whose kind is known at run time only. */
export type Room = Kind<Ask>;
