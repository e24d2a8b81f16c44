import type { Unit } from "../units";
import type { Entry } from "./entry";
import type { Interpretation } from "./checked";

/** What a line would do, as a person may have written it: entries, a plain number, or a refusal with its reason. */
export type Understanding =
  | Understood
  | { readonly kind: "number"; readonly value: number; readonly unit: Unit | null; readonly says: string }
  | Refused;

export interface Understood {
  readonly kind: "entries";
  readonly entries: readonly Entry[];
  readonly says: string;
  readonly warning: string | null;
  /** the other way in which the line can be meant */
  readonly or?: Understood;
}

export interface Refused {
  readonly kind: "refused";
  readonly message: string;
  readonly at: number;
  readonly end: number;
  /** lines that would be taken in its place */
  readonly instead: readonly string[];
}

/** Why a line is not taken, as a whole. @param instead  lines that would be, in its place */
export const refusal = (message: string, instead: readonly string[] = []): Refused => ({
  kind: "refused",
  message,
  at: 0,
  end: Infinity,
  instead,
});

export function asUnderstood(read: Interpretation): Understanding {
  return read.ok
    ? { kind: "entries", entries: [read.entry], says: read.says, warning: read.warning }
    : { kind: "refused", message: read.message, at: read.at, end: read.end, instead: [] };
}
