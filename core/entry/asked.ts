import { namesTaken } from "../data";
import { quoted } from "../formula";
import type { Amount, CaseFile, FunctionRow, Model, Question, Variable } from "../model";
import type { Line } from "../question";
import { singular } from "../units";
import { Misread } from "./entry";
import { type Mentioned, SIGN, escaped, numberOfSign, ofKind, speedOf } from "./mentions";
import { PlaceReader, nounsOf, type Places } from "./places";
import { isLeftOver, knownWords } from "./smallWords";

/** A question without its id, as a reader of phrases finds it. */
type Bare<Q> = Q extends unknown ? Omit<Q, "id"> : never;
export type BareQuestion = Bare<Question>;
/** A function that a question needs first. */
export interface Needed {
  readonly made: FunctionRow;
}

/** A line that asks in words, while it is read: what was understood is taken out of its text. */
export class AskedLine {
  /** what is not read yet, with signs in place of functions */
  text: string;
  readonly functions: readonly string[];
  private readonly places: PlaceReader;
  readonly variable: Variable;

  constructor(
    readonly whole: string,
    /** what it mentions, found once for all the readers that try it */
    about: Mentioned,
    readonly source: CaseFile,
    readonly model: Model,
    readonly line: Line,
  ) {
    this.text = about.text;
    this.functions = [
      ...new Set([...about.text.matchAll(new RegExp(SIGN, "gu"))].map((s) => about.functions[numberOfSign(s[0])]!)),
    ];
    const of = source.functions?.find((f) => f.name === (this.functions[0] ?? source.functions?.[0]?.name))?.of;
    this.variable = source.variables?.find((v) => v.name === of) ?? { name: of ?? source.variables?.[0]?.name ?? "x" };
    this.places = new PlaceReader(line, this.variable, model);
  }

  /** Whether a pattern is in the text; it is taken out. */
  takes(pattern: RegExp): RegExpExecArray | null {
    const m = pattern.exec(this.text);
    if (m) this.text = `${this.text.slice(0, m.index)} ${this.text.slice(m.index + m[0].length)}`;
    return m;
  }
  has(pattern: RegExp): boolean {
    return pattern.test(this.text);
  }
  stretch(): Omit<Places, "text"> | null {
    return this.taken(this.places.stretch(this.text));
  }
  place(): Omit<Places, "text"> | null {
    return this.taken(this.places.place(this.text));
  }
  /** Several inputs in a list; empty where no list stands. */
  severalPlaces(): readonly Amount[] {
    const found = this.places.several(this.text);
    if (found) this.text = found.text;
    return found?.at ?? [];
  }
  private taken(found: Places | null): Omit<Places, "text"> | null {
    if (!found) return null;
    const { text, ...rest } = found;
    this.text = text;
    return rest;
  }
  get amount(): string {
    return this.places.amountPattern;
  }
  read(amount: string): ReturnType<PlaceReader["amount"]> {
    return this.places.amount(amount);
  }

  /** The function that is meant: the one that is mentioned, else the only one there is. */
  one(): string {
    const [first, second] = this.functions;
    if (first && !second) return first;
    const all = (this.source.functions ?? []).map((f) => f.name);
    if (!first && all.length === 1) return all[0]!;
    const told = first ? null : this.byItsWords();
    if (told) return told;
    if (!first) this.settled();
    const which = this.functions.length > 1 ? this.functions : all;
    throw new Misread(
      `Which function is meant: ${which.join(", ")}? Name one of them in the line.`,
      0,
      this.whole.length,
    );
  }
  /** The function whose label has a word that the line has, where no other has it: the rocket's height. */
  private byItsWords(): string | null {
    const said = new Set((this.whole.toLowerCase().match(/\p{L}{3,}/gu) ?? []).map((w) => singular(w)));
    const wordsOf = (f: { label?: string | undefined }) =>
      (f.label?.toLowerCase().match(/\p{L}{3,}/gu) ?? []).map((w) => singular(w));
    const rows = this.source.functions ?? [];
    const isInUnit = (unit: string) => new RegExp(`\\d\\s*${escaped(unit)}(?![\\p{L}/])`, "u").test(this.whole);
    const measured = rows.filter((f) => f.unit && isInUnit(f.unit));
    if (measured.length === 1) return measured[0]!.name;
    const found = rows.filter((f) =>
      wordsOf(f).some((w) => said.has(w) && rows.filter((g) => wordsOf(g).includes(w)).length === 1),
    );
    return found.length === 1 ? found[0]!.name : null;
  }
  /** Two functions: the ones that are mentioned, else the only two of one variable and one unit. */
  two(): [string, string] | null {
    if (this.functions.length === 2) return [this.functions[0]!, this.functions[1]!];
    const rows = this.source.functions ?? [];
    if (this.functions.length === 1) {
      const own = rows.find((f) => f.name === this.functions[0])!;
      const others = rows.filter((f) => f !== own && f.of === own.of && f.unit === own.unit);
      return others.length === 1 ? [own.name, others[0]!.name] : null;
    }
    if (this.functions.length > 0) return null;
    const pairs = rows.flatMap((f, i) =>
      rows
        .slice(i + 1)
        .filter((g) => g.of === f.of && g.unit === f.unit)
        .map((g) => [f, g] as const),
    );
    return pairs.length === 1 ? [pairs[0]![0].name, pairs[0]![1].name] : null;
  }
  /** A name that nothing has yet, the wanted one where it is free. */
  freeName(wanted: string): string {
    const taken = namesTaken(this.source);
    for (let i = 1, name = wanted; ; i++, name = `${wanted}${i}`) if (!taken.has(name)) return name;
  }
  ofKind(word: string): string | null {
    return ofKind(this.source, word);
  }
  speed(): string | null {
    return speedOf(this.source);
  }
  /** The whole range of the variable, where both ends are told. */
  range(): readonly [NonNullable<Variable["from"]>, NonNullable<Variable["to"]>] | null {
    const { from, to } = this.variable;
    return from === undefined || to === undefined ? null : [from, to];
  }

  /** Everything in the line was understood, but for small words. @throws Misread with what was not */
  settled(): void {
    const known = knownWords(this.source, nounsOf(this.variable));
    const left = isLeftOver(this.text.replace(new RegExp(SIGN, "gu"), " "), known);
    if (!left) return;
    const at = Math.max(0, this.whole.indexOf(left));
    throw new Misread(`${quoted(left)} is not understood here.`, at, at + left.length);
  }
}

/** Words that make a question of a line; one that is nearly one of them is offered. */
export const KEYWORDS: readonly string[] = (
  "greatest least maximum minimum highest lowest largest smallest zeros roots break-even " +
  "compare total average slope " +
  "derivative integral area double triple halve above below exceeds reaches between when where"
).split(" ");
