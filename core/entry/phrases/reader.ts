import { anyCase } from "../../formula";
import type { Amount } from "../../model";
import type { AskedLine, BareQuestion, Needed } from "../asked";
import { SIGN } from "../mentions";

/** What a phrase asks; several where it asks several things. Null where it is not of this sort. */
export type PhraseReader = (line: AskedLine) => readonly (BareQuestion | Needed)[] | null;

export const S = SIGN;

export const words = (text: string) => anyCase(`\\b(?:${text})\\b`);

/** A narrowed range, as questions keep it. */
export const narrowed = (line: AskedLine): { from?: Amount; to?: Amount } => line.stretch() ?? {};

export const EQUAL = String.raw`=|equals?|is equal to|is the same as|meets?|crosses|intersects|matches|catches up with`;

export const MORE =
  String.raw`>=|≥|>|exceeds?|beats|(?:is\s+|becomes\s+|gets\s+)?(?:above|over|(?:more(?:\s+expensive)?|` +
  String.raw`greater|higher|larger|bigger|better|dearer)\s+than)`;

export const LESS =
  String.raw`<=|≤|<|(?:is\s+|becomes\s+|gets\s+)?(?:below|under|(?:less(?:\s+expensive)?|lower|` +
  String.raw`smaller|cheaper|fewer)\s+than)`;

/** The stretch that is told, or the whole range of the variable. */
export function both(line: AskedLine): [Amount, Amount] | null {
  const told = line.stretch();
  const { from = line.range()?.[0], to = line.range()?.[1] } = told ?? {};
  return from === undefined || to === undefined ? null : [from, to];
}

export const BEST = words(
  "max|maxim(?:um|a|al|ise|ize|ises|izes)|greatest|highest|largest|biggest|best|peak|most|top|optimal|optimum",
);

export const LEAST = words("min|minim(?:um|a|al|ise|ize|ises|izes)|least|lowest|smallest|cheapest");

/** A unit behind a value, as a function of the case is measured. */
export function unitsOf(line: AskedLine): string {
  const units = (line.source.functions ?? []).map((f) => f.unit ?? "").filter((u) => /^[\p{L}°]+[CF]?$/u.test(u));
  const nouns = units.flatMap((u) => [u, `${u}s`]).sort((a, b) => b.length - a.length);
  return nouns.length === 0 ? "" : `(?:\\s*(?:${nouns.join("|")})(?![\\p{L}]))?`;
}
