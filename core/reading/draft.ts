import { RESERVED } from "../formula";
import type { DataTable, FunctionBy, FunctionRow, Question, Variable } from "../model";
import { freeConstraintId } from "../plan";
import type { Offered } from "../story";
import type { Amount } from "./amount";
import type { Span } from "./text";

type WithoutId<T> = T extends unknown ? Omit<T, "id"> : never;
export type Asked = WithoutId<Question>;
type Naming = { readonly name: string; readonly unit?: string | null; readonly label?: string };

/** A place in the story without what else is known of it, so that it can be sent to a page. */
const placeOf = (span: Span | null): Span | null => span && { start: span.start, end: span.end };

/** A case in the making: rows with names of their own, each with the words it comes from. */
export class Draft {
  readonly offers: Offered[] = [];
  /** amounts that found their place */
  readonly used = new Set<Amount>();
  /** asks that became a question, by where they begin */
  readonly answered = new Set<number>();
  readonly notes: string[] = [];
  private readonly names = new Set<string>(RESERVED);

  put(offered: Offered): void {
    this.offers.push({ ...offered, from: placeOf(offered.from) });
  }

  /** A free name, the first wanted that is not taken, else the first with a number behind it. */
  name(...wanted: readonly string[]): string {
    const isFree = (n: string) => !this.names.has(n);
    const numbered = Array.from({ length: 99 }, (_, i) => `${wanted[0]!}${i + 1}`);
    const name = wanted.find(isFree) ?? numbered.find(isFree) ?? `${wanted[0]!}_${this.names.size}`;
    this.names.add(name);
    return name;
  }

  /** An amount of the story as a given. @returns its name */
  given(a: Amount, names: readonly string[], unit: string | null, label: string, from: Span = a): string {
    this.used.add(a);
    if (a.limit === null || from !== a) return this.number(a.value, names, unit, label, from);
    // "at most 320 lanterns" is a limit, with the words that say so.
    const name = this.name(...names);
    const row = { name, value: a.value, ...(unit ? { unit } : {}), label };
    this.put({ kind: "given", role: "limit", from: { start: a.limitStart, end: a.end }, row });
    return name;
  }

  /** A number that the story only implies, such as gravity, as a given. @returns its name */
  number(value: number, names: readonly string[], unit: string | null, label: string, from: Span | null): string {
    const name = this.name(...names);
    this.put({ kind: "given", from, row: { name, value, ...(unit ? { unit } : {}), label } });
    return name;
  }

  variable(row: Variable, from: Span | null): string {
    this.put({ kind: "variable", from, row });
    return row.name;
  }

  formula({ name, unit, label }: Naming, of: string, text: string, from: Span | null = null): string {
    return this.fn(
      { name, of, ...(unit ? { unit } : {}), ...(label ? { label } : {}), by: { kind: "formula", text } },
      from,
    );
  }

  by({ name, unit, label }: Naming, of: string, by: FunctionBy, from: Span | null = null): string {
    return this.fn({ name, of, ...(unit ? { unit } : {}), ...(label ? { label } : {}), by }, from);
  }

  fn(row: FunctionRow, from: Span | null): string {
    this.names.add(row.name);
    this.put({ kind: "function", from, row });
    return row.name;
  }

  /** A name for data that no other data have: the first wanted while there are none, else the second. */
  dataName(only: string, other: string): string {
    return this.offers.some((o) => o.kind === "data") ? other : only;
  }

  data(row: DataTable, from: Span): string {
    this.put({ kind: "data", from, row });
    return row.name;
  }

  /** Asks something of the case, once. @returns the id of the question */
  ask(question: Asked, from: Span): string {
    const same = this.offers.find((o) => o.kind === "question" && sameQuestion(o.row, question));
    this.answered.add(from.start);
    if (same?.kind === "question") return same.row.id;
    const id = `q${this.offers.filter((o) => o.kind === "question").length + 1}`;
    this.put({ kind: "question", from, row: { id, ...question } as Question });
    return id;
  }

  /** The question asked last; null before the first. */
  get last(): Question | null {
    const asked = this.offers.filter((o) => o.kind === "question");
    return asked[asked.length - 1]?.row ?? null;
  }

  constraint(text: string, label: string | null, from: Span | null): void {
    const id = freeConstraintId(this.offers.flatMap((o) => (o.kind === "constraint" ? [o.row] : [])));
    this.put({ kind: "constraint", from, row: { id, text, ...(label ? { label } : {}) } });
  }

  use(...amounts: readonly (Amount | null | undefined)[]): void {
    for (const a of amounts) if (a) this.used.add(a);
  }

  unit(name: string): string | undefined {
    const found = this.offers.find((o) => (o.kind === "function" || o.kind === "variable") && o.row.name === name);
    return found && "unit" in found.row ? found.row.unit : undefined;
  }
}

const sameQuestion = (a: Question, b: Asked): boolean => {
  const { id: _id, ...rest } = a;
  return JSON.stringify(rest) === JSON.stringify(b);
};
