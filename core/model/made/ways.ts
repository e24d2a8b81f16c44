import type { FunctionBy } from "../case";
import { fit } from "./fit";
import { formula } from "./formula";
import { line } from "./line";
import { pieces } from "./pieces";
import { slope } from "./slope";
import { total } from "./total";
import type { Way, WayKind } from "./way";

/** The room of every way to make a function; one without a room does not compile. */
const WAYS: { readonly [K in WayKind]: Way<K> } = { formula, line, pieces, total, slope, fit };

/** The room of a function's making. What belongs to one way is only ever handed to the room of that way. */
export const wayOf = (by: FunctionBy): Way<WayKind> => WAYS[by.kind] as unknown as Way<WayKind>;
