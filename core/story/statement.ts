import { earlierAnswer, parseUnit, plainAmount, readAmountText, retypedAmount } from "../units";
import { nearName, quoted, RESERVED } from "../formula";
import {
  buildModel,
  readAmount,
  type Amount,
  type CaseFile,
  type FunctionRow,
  type Given,
  type Model,
  type NumberText,
  type PieceRow,
  type Question,
  type Variable,
} from "../model";
import { formatQuantity } from "../explain";
import { KINDS, NAME, TO, questionText, sidesOf, type Line } from "../question";

/** What an entry adds to the case, or changes in it. */
export type Entry =
  | { readonly kind: "given"; readonly row: Given; readonly replaces: boolean }
  | { readonly kind: "variable"; readonly row: Variable; readonly replaces: boolean }
  /** `variable`: the function is of a name nobody knew, which becomes a variable with an open range */
  | { readonly kind: "function"; readonly row: FunctionRow; readonly replaces: boolean; readonly variable?: Variable }
  | { readonly kind: "question"; readonly row: Question; readonly replaces: false };

export type Interpretation =
  | { readonly ok: true; readonly entry: Entry; readonly says: string; readonly warning: string | null }
  | { readonly ok: false; readonly message: string; readonly at: number; readonly end: number };

/** Characters of a line that are read: more than twice the longest formula. */
export const MAX_LINE = 5000;

class Misread extends Error {
  constructor(
    message: string,
    readonly at = 0,
    readonly end = at,
  ) {
    super(message);
  }
}

/**
 * Reads one line of the entry line: a given, a variable, a function, or a question (it ends with a question mark). Says
 * in a sentence what it would do, or what is wrong and where.
 */
export function interpret(text: string, source: CaseFile): Interpretation {
  if (text.length > MAX_LINE) {
    const [most, now] = [MAX_LINE, text.length].map((n) => n.toLocaleString("en"));
    return {
      ok: false,
      message: `A line may have ${most} characters; this one has ${now}.`,
      at: MAX_LINE,
      end: text.length,
    };
  }
  try {
    const reader = new StatementReader(text, source);
    return reader.read();
  } catch (failure) {
    if (!(failure instanceof Misread)) throw failure;
    return { ok: false, message: failure.message, at: failure.at, end: failure.end };
  }
}

/** The case with the entry put in; the document passed in is not changed. */
export function withEntry(source: CaseFile, entry: Entry): CaseFile {
  const put = <T extends { name: string }>(list: readonly T[] | undefined, row: T): T[] => {
    const all = list ?? [];
    return all.some((r) => r.name === row.name) ? all.map((r) => (r.name === row.name ? row : r)) : [...all, row];
  };
  switch (entry.kind) {
    case "given":
      return { ...source, givens: put(source.givens, entry.row) };
    case "variable":
      return { ...source, variables: put(source.variables, entry.row) };
    case "function":
      return {
        ...source,
        ...(entry.variable ? { variables: put(source.variables, entry.variable) } : {}),
        functions: put(source.functions, entry.row),
      };
    case "question":
      return { ...source, questions: [...(source.questions ?? []), entry.row] };
  }
}

/** Several lines, as far as they can be read one after another; `stopped` is the first that cannot. */
export function interpretLines(lines: readonly string[], source: CaseFile): { entries: Entry[]; stopped: string } {
  const entries: Entry[] = [];
  let now = source;
  for (const line of lines) {
    const read = interpret(line, now);
    if (!read.ok) return { entries, stopped: line };
    entries.push(read.entry);
    now = withEntry(now, read.entry);
  }
  return { entries, stopped: "" };
}

export function freshId(source: CaseFile): string {
  const taken = new Set((source.questions ?? []).map((q) => q.id));
  for (let i = 1; ; i++) if (!taken.has(`q${i}`)) return `q${i}`;
}

class StatementReader {
  private readonly model: Model;

  constructor(
    private readonly text: string,
    private readonly source: CaseFile,
  ) {
    this.model = buildModel(source);
  }

  read(): Interpretation {
    const text = this.text;
    if (text.trim() === "")
      throw new Misread("Write a given (F = 180 $), a function (P(q) = R − C) or a question (R = C ?).");
    const entry: Entry = /\?\s*$/.test(text)
      ? { kind: "question", row: this.question(text.replace(/\s*\?\s*$/, "")), replaces: false }
      : this.assignment();
    const after = withEntry(this.source, entry);
    const built = buildModel(after);
    const own = this.ownPath(entry, after);
    // An error elsewhere that was not there before (a circle closed, a name taken) belongs to this entry too.
    const known = new Set(this.model.errors.map((e) => `${e.path} ${e.message}`));
    const errors = built.errors.filter((e) => e.path.startsWith(own) || !known.has(`${e.path} ${e.message}`));
    const offset = this.bodyStart();
    if (errors.length > 0) {
      const e = errors[0]!;
      const inText = e.path === `${own}.by.text` && e.at !== undefined;
      throw new Misread(e.message, inText ? e.at! + offset : 0, inText ? (e.end ?? e.at!) + offset : text.length);
    }
    const warning = built.warnings.find((w) => w.path.startsWith(own))?.message ?? null;
    return { ok: true, entry, says: this.say(entry, built), warning };
  }

  private ownPath(entry: Entry, after: CaseFile): string {
    const list = `${entry.kind}s` as "givens" | "variables" | "functions" | "questions";
    const rows = (after[list] ?? []) as { name?: string; id?: string }[];
    const key = "name" in entry.row ? entry.row.name : entry.row.id;
    return `${list}[${rows.findIndex((r) => (r.name ?? r.id) === key)}]`;
  }

  /** Where the right-hand side begins in the text as typed. */
  private bodyStart(): number {
    const equals = this.text.indexOf("=");
    const rest = this.text.slice(equals + 1);
    return equals + 1 + (rest.length - rest.trimStart().length);
  }

  private say(entry: Entry, built: Model): string {
    switch (entry.kind) {
      case "given":
        return (
          `${entry.replaces ? "changes" : "adds"} the given ${entry.row.name} = ` +
          `${formatQuantity(entry.row.value, this.unitOf(entry.row.unit), 12)}`
        );
      case "variable": {
        const { name, from, to, unit, whole } = entry.row;
        const range = from === undefined && to === undefined ? "" : `, ${from ?? "−∞"} … ${to ?? "∞"}`;
        const kind = `${unit ? ` ${unit}` : ""}${whole ? ", whole" : ""}`;
        return `${entry.replaces ? "changes" : "adds"} the variable ${name}${range}${kind}`;
      }
      case "function": {
        const f = built.functions.get(entry.row.name);
        return (
          `${entry.replaces ? "changes" : "adds"} the function ${entry.row.name}(` +
          `${entry.row.of}) = ${f?.text ?? ""}${f?.unit?.text ? `, in ${f.unit.text}` : ""}` +
          `${entry.variable ? `, and its variable ${entry.variable.name}, for now any number` : ""}`
        );
      }
      case "question": {
        const q = questionText(entry.row, built);
        return `asks: ${q.charAt(0).toLowerCase()}${q.slice(1)}`;
      }
    }
  }
  private unitOf(text: string | undefined) {
    return text ? parseUnit(text).unit : null;
  }

  // ---- givens, variables, functions -------------------------------------------------------------------------

  private assignment(): Entry {
    const text = this.text;
    const head = new RegExp(String.raw`^\s*(${NAME})\s*(?:\(\s*(${NAME})\s*\))?\s*=\s*`, "u").exec(text);
    if (!head) {
      const relation = /[<>≤≥]/.exec(text);
      if (relation || text.includes("="))
        throw new Misread(
          `To ask about this, end the line with a question mark: ${quoted(`${text.trim()} ?`)}.`,
          0,
          text.length,
        );
      throw new Misread(
        "This names nothing yet. Give it a name, as in " +
          `${quoted(`f(${this.source.variables?.[0]?.name ?? "x"}) = ${text.trim()}`)}, or ask ` +
          "with a question mark.",
        0,
        text.length,
      );
    }
    const [whole, name = "", of] = head;
    if (RESERVED.has(name))
      throw new Misread(
        `${quoted(name)} is the name of ` +
          `${name === "e" || name === "pi" ? "a number" : "a built-in function"}; choose ` +
          "another name.",
        0,
        name.length,
      );
    const body = text.slice(whole.length).trim();
    if (body === "")
      throw new Misread(
        `${quoted(text.trim())} stops after the equals sign: a number, a range or a formula should follow.`,
        whole.length - 1,
        text.length,
      );
    if (of) return this.functionRow(name, of, body);
    const range = /;|\bfor\b|^(?:running\s+)?total\b|^slope\b/i.test(body) ? null : this.range(body);
    if (range) return this.variable(name, range);
    return this.givenOrFunction(name, body);
  }

  private functionRow(name: string, of: string, body: string): Entry {
    const before = this.source.functions?.find((f) => f.name === name);
    // A unit may be said at the end: `p(q) = line (240, 6), (150, 9) in $/lantern`.
    const said = /^(.+?),?\s+in\s+([$€£¥%°\p{L}][^\s,;()+*]*(?:\s*\/\s*[\p{L}][^\s,;()]*)?)$/u.exec(body);
    const unit = said && parseUnit(said[2]!).unit ? said[2]! : null;
    return {
      kind: "function",
      replaces: before !== undefined,
      row: { ...(before ?? {}), name, of, ...(unit ? { unit } : {}), by: this.making(unit ? said![1]! : body, of) },
      ...(of !== name && this.isNew(of) ? { variable: { name: of } } : {}),
    };
  }

  /** Whether a name stands for nothing yet, so that it may become a variable. */
  private isNew(name: string): boolean {
    const known = [this.source.givens, this.source.variables, this.source.functions, this.source.plan?.variables];
    return !RESERVED.has(name) && !known.some((list) => list?.some((row) => row.name === name));
  }

  /** How a function is made: a line, pieces, a running total, a slope, or a formula. */
  private making(body: string, of: string): FunctionRow["by"] {
    if (/^(?:a\s+)?line\b/i.test(body)) return { kind: "line", through: this.points(body) };
    const total = new RegExp(String.raw`^(?:running\s+)?total\s+of\s+(${NAME})(?:\s+from\s+(.+))?$`, "iu").exec(body);
    if (total)
      return { kind: "total", function: this.functionName(total[1]!), from: total[2] ? this.bound(total[2]) : 0 };
    const slope = new RegExp(String.raw`^slope\s+of\s+(${NAME})$`, "iu").exec(body);
    if (slope) return { kind: "slope", function: this.functionName(slope[1]!) };
    if (/;|\bfor\b/.test(body))
      return {
        kind: "pieces",
        pieces: body
          .split(/\s*;\s*/)
          .filter((p) => p)
          .map((p) => this.piece(p, of)),
      };
    return { kind: "formula", text: body };
  }

  /** `3 t for 0 <= t < 6`: a piece with its ends; which side owns an end is in the sign. */
  private piece(text: string, of: string): PieceRow {
    const at = this.text.indexOf(text);
    const wrong = (message: string) => new Misread(message, Math.max(0, at), Math.max(0, at) + text.length);
    const parts = /^(.*?)\s+for\s+(.+)$/.exec(text);
    if (!parts)
      throw wrong(`${quoted(text)} does not say where it holds, as in ${quoted(`3 ${of} for 0 <= ${of} < 6`)}.`);
    const range = new RegExp(String.raw`^(?:(.+?)\s*(<=|≤|<)\s*)?${of}(?:\s*(<=|≤|<|>=|≥|>)\s*(.+))?$`, "u").exec(
      parts[2]!.trim(),
    );
    if (!range || (!range[1] && !range[4]))
      throw wrong(`${quoted(parts[2]!)} is no range of ${of}; write it as in ${quoted(`0 <= ${of} < 6`)}.`);
    const closed = (sign: string | undefined) => sign !== "<" && sign !== ">";
    const upward = range[3]?.startsWith(">") || range[3] === "≥";
    if (upward) return { text: parts[1]!.trim(), from: this.bound(range[4]!), ends: closed(range[3]) ? "[]" : "(]" };
    return {
      text: parts[1]!.trim(),
      ...(range[1] ? { from: this.bound(range[1]) } : {}),
      ...(range[4] ? { to: this.bound(range[4]) } : {}),
      ends: `${closed(range[2]) ? "[" : "("}${closed(range[3]) ? "]" : ")"}`,
    };
  }

  /** An end of a piece: a number, or a formula text in givens. */
  private bound(text: string): NumberText {
    return plainAmount(text, (w) => this.model.givens.has(w) || this.model.functions.has(w)) ?? text.trim();
  }

  private points(body: string): [NumberText, NumberText][] {
    const pairs = [...body.matchAll(/\(([^()]*)\)/g)].map((m) =>
      m[1]!.split(/[,;]\s+|;|,(?=\s*[$€£])|,(?!\d{3}\b)/).map((part) => readAmountText(part)),
    );
    const good = pairs
      .filter((p) => p.length === 2 && p[0] && p[1])
      .map((p) => [p[0]!.value, p[1]!.value] as [number, number]);
    if (good.length < 2)
      throw new Misread(
        "A line needs two readings in brackets, as in `p(q) = line (240, 6), (150, 9)`.",
        0,
        this.text.length,
      );
    return good;
  }

  private range(body: string): { from?: NumberText; to?: NumberText; unit?: string; whole: boolean } | null {
    const match = new RegExp(String.raw`^(.*?)${TO}(.*)$`, "u").exec(body.replace(/,?\s*\bwhole\b\s*$/i, ""));
    if (!match) return null;
    const whole = /\bwhole\b\s*$/i.test(body);
    const bound = (side: string): { value: NumberText | undefined; unit: string | undefined } => {
      const t = side.trim();
      if (t === "" || /^[−-]?∞$/.test(t)) return { value: undefined, unit: undefined };
      const named = new RegExp(String.raw`^(${NAME})\s*(.*)$`, "u").exec(t);
      if (
        named &&
        (named[2]!.trim() === "" || parseUnit(named[2]!.trim()).unit) &&
        this.source.givens?.some((g) => g.name === named[1])
      )
        return {
          value: named[1]!,
          unit: named[2]?.trim() || this.source.givens.find((g) => g.name === named[1])!.unit,
        };
      const formula = this.formulaWithUnit(t);
      if (formula) return formula;
      const read = readAmountText(t);
      if (!read)
        throw new Misread(
          `${quoted(t)} is no end of a range: a number or a given should stand there.`,
          this.text.indexOf(t),
          this.text.indexOf(t) + t.length,
        );
      return { value: read.value, unit: read.unit ?? undefined };
    };
    const from = bound(match[1]!);
    const to = bound(match[2]!);
    const unit = to.unit ?? from.unit;
    return {
      ...(from.value === undefined ? {} : { from: from.value }),
      ...(to.value === undefined ? {} : { to: to.value }),
      ...(unit ? { unit } : {}),
      whole,
    };
  }

  /**
   * `t2 + a t1/b s`: a formula in givens, with or without a unit behind it. @returns null when it is no formula with a
   * given in it
   */
  private formulaWithUnit(text: string): { value: string; unit: string | undefined } | null {
    const words = text.match(new RegExp(NAME, "gu")) ?? [];
    if (!words.some((w) => this.model.givens.has(w))) return null;
    if (readAmount(text, this.model.names).ok) return { value: text, unit: undefined };
    const split = /^(.+?)\s+(\S+)$/u.exec(text);
    return split && parseUnit(split[2]!).unit && readAmount(split[1]!, this.model.names).ok
      ? { value: split[1]!, unit: split[2]! }
      : null;
  }

  private variable(name: string, range: { from?: NumberText; to?: NumberText; unit?: string; whole: boolean }): Entry {
    const before = this.source.variables?.find((v) => v.name === name);
    const { from: _from, to: _to, whole: _whole, ...kept } = before ?? { name };
    const { whole, ...rest } = range;
    return {
      kind: "variable",
      replaces: before !== undefined,
      row: { ...kept, name, ...rest, ...(whole ? { whole: true } : {}) },
    };
  }

  private givenOrFunction(name: string, body: string): Entry {
    const read = readAmountText(body);
    const before = this.source.givens?.find((g) => g.name === name);
    if (read && read.rest.trim() === "" && /^[\s−\-$€£¥₹₽₩₺₴\d.]/u.test(body)) {
      const { value, unit } = retypedAmount(read, before?.unit);
      return {
        kind: "given",
        replaces: before !== undefined,
        row: { ...(before ?? {}), name, value, ...(unit ? { unit } : {}) },
      };
    }
    const known = this.source.functions?.find((f) => f.name === name);
    const of = known?.of ?? this.variableOf(body);
    if (!of)
      throw new Misread(
        `${quoted(body)} is neither a number nor a formula of a variable. For a function say ` +
          `of what, as in ${quoted(`${name}(x) = …`)}, and write the variable first: \`x = 0 … ` +
          `10\`.`,
        this.text.indexOf(body),
        this.text.length,
      );
    return this.functionRow(name, of, body);
  }

  /** The variable a formula is about, when there is no doubt. */
  private variableOf(body: string): string | null {
    const words = new Set(body.match(new RegExp(NAME, "gu")) ?? []);
    const named = (this.source.variables ?? []).filter((v) => words.has(v.name));
    if (named.length === 1) return named[0]!.name;
    const through = [...new Set((this.source.functions ?? []).filter((f) => words.has(f.name)).map((f) => f.of))];
    if (through.length === 1 && named.length === 0) return through[0]!;
    // One unknown letter in a formula is what it is of, unless it looks like a slip of a known name.
    const unknown = [...words].filter((w) => this.isNew(w));
    const isFormula = /[\d+*/^()−-]/.test(body);
    const near = nearName(unknown[0] ?? "", [...this.model.givens.keys(), ...this.model.variables.keys()]);
    return named.length === 0 && through.length === 0 && unknown.length === 1 && isFormula && !near
      ? unknown[0]!
      : null;
  }

  // ---- questions --------------------------------------------------------------------------------------------

  private question(body: string): Question {
    const line = this.asking(body);
    if (line.text === "")
      return line.fail("There is no question yet. Examples: `R = C ?`, `P = 0 ?`, `greatest P ?`, `P(250) ?`.");
    for (const kind of KINDS) {
      const question = kind.typed(line);
      if (question) return question;
    }
    return this.notUnderstood(line);
  }

  /** A line that asks, as the rooms of the questions read it: its range at the end is taken off. */
  private asking(body: string): Line {
    const range = new RegExp(
      String.raw`\s*(?:\bfor\b|\bon\b|\bfrom\b)\s+(?:${NAME}\s*(?:=|from)\s*)?(\S+?)${TO}(.+?)\s*$`,
      "u",
    ).exec(body);
    return {
      text: (range ? body.slice(0, range.index) : body).trim(),
      id: freshId(this.source),
      narrowed: range ? { from: this.amount(range[1]!), to: this.rangeEnd(range[2]!) } : {},
      functionIn: (text) => this.functionIn(text),
      functionName: (text) => this.functionName(text),
      given: (name) => this.givenRow(name),
      amount: (text) => this.amount(text),
      variableOf: (name) => this.model.functions.get(name)!.of,
      fail: (message) => {
        throw new Misread(message, 0, this.text.length);
      },
    };
  }

  /** Why no kind of question took the line: what is missing in it, or which word it may have meant. */
  private notUnderstood(line: Line): never {
    const { text } = line;
    const sides = sidesOf(line);
    if (sides) this.withoutFunction(sides.left, sides.sign, sides.right);
    if (this.model.functions.has(text))
      line.fail(
        `What about ${quoted(text)}? Examples: ${quoted(`${text} = 0 ?`)}, ` +
          `${quoted(`greatest ${text} ?`)}, ${quoted(`${text}(3) ?`)}.`,
      );
    const near = nearName(text.split(/[\s(]/)[0] ?? "", [
      ...this.model.functions.keys(),
      "greatest",
      "least",
      "total",
      "average",
      "compare",
    ]);
    return line.fail(
      `This question is not understood.${near ? ` Did you mean ${quoted(near)}?` : ""} ` +
        `Examples: \`R = C ?\`, \`P = 0 ?\`, \`P >= 500 ?\`, \`greatest P ?\`, \`P(250) ?\`.`,
    );
  }

  private withoutFunction(left: string, sign: string, right: string): never {
    if (left === "" || right === "")
      throw new Misread(
        `${quoted(this.text.trim())} has nothing on ${left === "" ? "the left" : "the right"}` +
          ` of the ${quoted(sign)}; a function or a number should stand there.`,
        0,
        this.text.length,
      );
    const first = left.match(new RegExp(`^${NAME}`, "u"))?.[0];
    if (first && new RegExp(`^${NAME}$`, "u").test(left))
      throw new Misread(this.unknown(first), this.text.indexOf(first), this.text.indexOf(first) + first.length);
    const formula = /\p{L}/u.test(left) ? left : right;
    throw new Misread(
      `One side should be a function of this case by its name. Give ${quoted(formula)} a name first, as in ` +
        `${quoted(`D(${this.source.variables?.[0]?.name ?? "x"}) = ${formula}`)}.`,
      0,
      this.text.length,
    );
  }

  private givenRow(name: string): Given {
    const rows = this.source.givens ?? [];
    const row = rows.find((g) => g.name === name);
    if (row) return row;
    const names = rows.map((g) => g.name);
    const near = nearName(name, names);
    throw new Misread(
      `${quoted(name)} is no given of this case.${near ? ` Did you mean ${quoted(near)}?` : ""}`,
      0,
      name.length,
    );
  }

  /** `P` or `P(q)`: a function by its name. */
  private functionIn(side: string): string | null {
    const m = new RegExp(String.raw`^(${NAME})(?:\s*\(\s*(${NAME})\s*\))?$`, "u").exec(side);
    const f = m && this.model.functions.get(m[1]!);
    return f && (!m[2] || m[2] === f.of) ? f.name : null;
  }
  private functionName(side: string): string {
    const found = this.functionIn(side.trim());
    if (found) return found;
    const at = this.text.indexOf(side.trim());
    throw new Misread(this.unknown(side.trim()), at, at + side.trim().length);
  }
  private unknown(name: string): string {
    const near = nearName(name, [...this.model.functions.keys()]);
    const list = [...this.model.functions.keys()];
    const there = `There ${list.length === 1 ? "is" : "are"} ${list.join(", ")}.`;
    const instead = near ? `Did you mean ${quoted(near)}?` : list.length > 0 ? there : "Write a function first.";
    return `${quoted(name)} is no function of this case. ${instead}`;
  }

  private earlierList(): string {
    const ids = (this.source.questions ?? []).map((q) => q.id);
    return ids.length === 0 ? "" : ids.length === 1 ? ` There is ${ids[0]!}.` : ` There are ${ids.join(", ")}.`;
  }

  /** The upper end of a narrowed range, where a noun may follow: `20 nights`, `M lanterns`. */
  private rangeEnd(text: string): Amount {
    const noun = /^(.+?)\s+\p{L}+$/u.exec(text);
    return noun && !readAmount(text, this.model.names).ok ? this.amount(noun[1]!) : this.amount(text);
  }

  /** A number, with its unit left aside, a formula text in givens, or an earlier answer. */
  private amount(text: string): Amount {
    const t = text.trim();
    const earlier = earlierAnswer(t);
    if (earlier) {
      if (!(this.source.questions ?? []).some((q) => q.id === earlier.of)) {
        const at = this.text.lastIndexOf(earlier.of);
        throw new Misread(
          `There is no question ${quoted(earlier.of)} before this one.${this.earlierList()}`,
          at,
          at + earlier.of.length,
        );
      }
      return earlier;
    }
    const plain = plainAmount(t, (w) => this.model.givens.has(w) || this.model.functions.has(w));
    if (plain !== null) return plain;
    const formula = readAmount(t, this.model.names);
    if (!formula.ok) {
      const at = Math.max(0, this.text.lastIndexOf(t));
      throw new Misread(formula.problem.message, at + formula.problem.start, at + formula.problem.end);
    }
    return t;
  }
}
