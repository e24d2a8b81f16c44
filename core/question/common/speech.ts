import {
  formatCount,
  formatInput,
  formatNumber,
  formatQuantity,
  formatUnitElsewhere,
  inputNoun,
  isCounted,
  isMoney,
  list,
} from "../../explain";
import type { Model } from "../../model";
import type { Unit } from "../../units";
import type { About, Behaviour, FindingStretch, Solution } from "../finding";

/** Answers that are told one by one; of more, the number, the first and the last. */
export const MOST_TOLD = 6;

export const few = (parts: readonly string[], word = "and", what = "stretches"): string =>
  parts.length <= MOST_TOLD
    ? list(parts, word)
    : `${what === "stretches" ? "on " : ""}${parts.length} ${what}, the first ${parts[0]}, ` +
      `the last ${parts[parts.length - 1]}`;

/** Names and numbers of one answer in the words and units of its case: what sentences are made of. */
export class Speech {
  readonly input: Unit | null;
  readonly output: Unit | null;
  /** the variable */
  readonly x: string;
  /** the first function, and the second */
  readonly name: string;
  readonly other: string;

  constructor(
    readonly about: About,
    readonly model: Model,
  ) {
    this.x = about.variable;
    this.input = model.variables.get(about.variable)?.unit ?? null;
    this.name = about.functions[0] ?? "";
    this.other = about.functions[1] ?? "";
    this.output = model.functions.get(this.name)?.unit ?? null;
  }

  /** "17 lanterns", "t = 3.2 s" */
  at(x: number, digits = 6): string {
    const text = formatQuantity(x, this.input, digits);
    return this.isCounted() ? text : `${this.x} = ${text}`;
  }
  /** An input inside brackets: the number alone, a percentage as one. */
  bare(x: number): string {
    return formatInput(x, this.input);
  }
  out(y: number): string {
    return formatCount(y, this.output);
  }
  /** Whether the variable is spoken of by a noun. */
  isCounted(): boolean {
    return this.noun() !== this.x;
  }
  noun(count = 2): string {
    return inputNoun(this.x, this.input, count);
  }

  /** The ends of a range: the last says the unit. */
  private start(x: number): string {
    return formatUnitElsewhere(x, this.input);
  }
  private end(x: number): string {
    return formatQuantity(x, this.input);
  }
  /** "on 0 … 250 lanterns", "from t = 2 s on" */
  range(searched: { from: number; to: number } | null = null): string {
    const { from, to } = this.about;
    if (searched) return `on the range searched, ${this.start(searched.from)} … ${this.end(searched.to)}`;
    if (from === null && to === null) return `for any ${this.x}`;
    if (from === null) return `up to ${this.at(to!)}`;
    if (to === null) return `from ${this.at(from)} on`;
    return `on ${this.start(from)} … ${this.end(to)}`;
  }
  /** "everywhere on 0 … 10", "for every x" */
  everywhere(searched: { from: number; to: number } | null = null): string {
    const isEndless = !searched && this.about.from === null && this.about.to === null;
    return isEndless ? `for every ${this.x}` : `everywhere ${this.range(searched)}`;
  }
  /** A place, and the date it stands for where inputs count from one. */
  place(s: Solution, digits = 6): string {
    return s.reads ? `${this.at(s.at, digits)} (${s.reads})` : this.at(s.at, digits);
  }
  /** "from 8 to 10 lanterns", "from x = 8 to 10" */
  span(from: number, to: number, [after, before] = ["", ""]): string {
    const start = this.isCounted() ? this.start(from) : `${this.x} = ${this.start(from)}`;
    return `from ${after}${start} to ${before}${this.end(to)}`;
  }
  /** A stretch on which something is so throughout; an end that does not belong to it is told as that. */
  stretch(s: FindingStretch): string {
    const after = s.from !== null && s.ends.startsWith("(") ? "just after " : "";
    const before = s.to !== null && s.ends.endsWith(")") ? "just before " : "";
    if (s.from === null && s.to === null) return this.everywhere();
    if (s.from === null) return `up to ${before}${this.at(s.to!)}`;
    if (s.to === null) return `from ${after}${this.at(s.from)} on`;
    return this.span(s.from, s.to, [after, before]);
  }

  /** What the function does instead of taking a level, where that is known: ": it rises from 3 and stays below 7". */
  instead(b: Behaviour | null): string {
    const does = b && this.stays(b);
    return does ? `: it ${does}` : "";
  }
  private stays(b: Behaviour): string | null {
    if (b.values === "none") return "has no value there";
    if (b.approaches) return `${this.comes(b)}comes ever closer to ${this.out(b.level)} without reaching it`;
    if (b.low === b.high) return `is always ${this.out(b.low)}`;
    if (b.low === b.level) return `stays at or above ${this.out(b.low)}`;
    if (b.high === b.level) return `stays at or below ${this.out(b.high)}`;
    const bound = this.sideOf(b);
    return bound && b.monotone && b.from !== null ? `${b.monotone} from ${this.out(b.from)} and ${bound}` : bound;
  }
  private comes({ monotone }: Behaviour): string {
    return monotone ? `${monotone} and ` : "";
  }
  private sideOf(b: Behaviour): string | null {
    if (b.low > b.level) return `stays ${this.bound(b.low, -1)}`;
    if (b.high < b.level) return `stays ${this.bound(b.high, 1)}`;
    return b.values && "passes it without taking it";
  }

  /** "above 0.3114": a bound rounded so that the statement stays true. */
  private bound(y: number, side: 1 | -1): string {
    const word = side < 0 ? "above" : "below";
    if (!Number.isFinite(y)) return `${word} ${this.out(y)}`;
    const isMoneyless = isMoney(this.output) && Math.abs(y) < CENT;
    const step = this.stepFor(y);
    const rounded = Number(((side < 0 ? Math.floor(y / step) : Math.ceil(y / step)) * step).toPrecision(12));
    // A bound that rounding does not move may be taken itself.
    const text = isMoneyless ? formatNumber(rounded, 4) : formatQuantity(rounded, this.output);
    return Math.abs(rounded - y) <= Math.abs(y) * SAME_REL_TOL ? `at or ${word} ${text}` : `${word} ${text}`;
  }
  /** What a bound is rounded to: one of what is counted, a cent, four digits of anything else. */
  private stepFor(y: number): number {
    if (isCounted(this.output)) return 1;
    if (isMoney(this.output) && Math.abs(y) >= CENT) return CENT;
    // What is nearer to 0 than any step can tell is told to the step.
    return Math.abs(y) < LEAST_TOLD ? 1 : 10 ** (Math.floor(Math.log10(Math.abs(y))) - 3);
  }
}

/** Share of a number below which two of them are told as one. */
const SAME_REL_TOL = 1e-9;
const CENT = 0.01;
const LEAST_TOLD = 1e-300;
