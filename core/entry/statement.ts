import { asRefused, checked, type Interpretation } from "./checked";
import { Making } from "./making";
import { QuestionLine } from "./questionLine";
import { parseUnit, readAmountText, retypedAmount } from "../units";
import { nearProduct, quoted, RESERVED } from "../formula";
import { modelOf, type CaseFile, type Model, type NumberText } from "../model";
import { NAME, TO } from "../question";
import { JOINING, newVariable } from "./newVariable";
import { Misread, type Entry, type FunctionEntry } from "./entry";
import { keptEnds } from "./rangeText";

/** A letter by itself may be a variable, `a` too. */
const isJoining = (word: string): boolean => word.length > 1 && JOINING.has(word.toLowerCase());

/** Characters of a line that are read: more than twice the longest formula. */
export const MAX_LINE = 5000;

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
      isVague: false,
    };
  }
  try {
    const reader = new StatementReader(text, source);
    return reader.read();
  } catch (failure) {
    return asRefused(failure);
  }
}

class StatementReader {
  private readonly model: Model;

  private readonly made: Making;

  constructor(
    private readonly text: string,
    private readonly source: CaseFile,
  ) {
    this.model = modelOf(source);
    this.made = new Making(text, this.model);
  }

  read(): Interpretation {
    const text = this.text;
    if (text.trim() === "")
      throw new Misread("Write a given (F = 180 $), a function (P(q) = R − C) or a question (R = C ?).");
    const entry: Entry = /\?\s*$/.test(text)
      ? {
          kind: "question",
          row: new QuestionLine(text, this.source, this.model, this.made).question(text.replace(/\s*\?\s*$/, "")),
          replaces: false,
        }
      : this.assignment();
    return checked(text, entry, this.source, this.model);
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
          true,
        );
      throw new Misread(
        "This names nothing yet. Give it a name, as in " +
          `${quoted(`f(${this.source.variables?.[0]?.name ?? "x"}) = ${text.trim()}`)}, or ask ` +
          "with a question mark.",
        0,
        text.length,
        true,
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
    const range = /;|\bfor\b|^(?:running\s+)?total\b|^slope\b/i.test(body) ? null : this.range(name, body);
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
      row: {
        ...(before ?? {}),
        name,
        of,
        ...(unit ? { unit } : {}),
        by: this.made.making(unit ? said![1]! : body, of),
      },
      ...(of !== name && this.isNew(of) ? this.newVariable(of) : {}),
    };
  }

  private newVariable(name: string): Pick<FunctionEntry, "variable" | "because"> {
    const { row, because } = newVariable(name, this.source);
    return { variable: row, ...(because ? { because } : {}) };
  }

  /** Whether a unit is a name of the case: `5 q` is a formula of q, and no unit. */
  private isKnown(word: string): boolean {
    return this.model.variables.has(word) || this.model.functions.has(word) || this.model.givens.has(word);
  }

  /** Whether a name stands for nothing yet, so that it may become a variable. */
  private isNew(name: string): boolean {
    const known = [this.source.givens, this.source.variables, this.source.functions, this.source.plan?.variables];
    return !RESERVED.has(name) && !known.some((list) => list?.some((row) => row.name === name));
  }

  private range(
    name: string,
    body: string,
  ): { from?: NumberText; to?: NumberText; unit?: string; whole: boolean } | null {
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
      // Only a unit: the end is open, as in `q = 0 … people`.
      if (!read && /^\p{L}+$/u.test(t) && parseUnit(t).unit) return { value: undefined, unit: t };
      if (!read)
        throw new Misread(
          `${quoted(t)} is no end of a range: a number or a given should stand there.`,
          this.text.indexOf(t),
          this.text.indexOf(t) + t.length,
        );
      return { value: read.value, unit: read.unit ?? undefined };
    };
    const ends = [bound(match[1]!), bound(match[2]!)];
    const unit = ends[1]!.unit ?? ends[0]!.unit;
    const [from, to] = keptEnds(ends, unit ?? this.source.variables?.find((v) => v.name === name)?.unit);
    return {
      ...(from === undefined ? {} : { from }),
      ...(to === undefined ? {} : { to }),
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
    if (this.model.amount(text).ok) return { value: text, unit: undefined };
    const split = /^(.+?)\s+(\S+)$/u.exec(text);
    return split && parseUnit(split[2]!).unit && this.model.amount(split[1]!).ok
      ? { value: split[1]!, unit: split[2]! }
      : null;
  }

  private variable(name: string, range: { from?: NumberText; to?: NumberText; unit?: string; whole: boolean }): Entry {
    const before = this.source.variables?.find((v) => v.name === name);
    const { from: _from, to: _to, ...kept } = before ?? { name };
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
    const isOfName = read?.unit ? this.isKnown(read.unit) : false;
    if (read && !isOfName && read.rest.trim() === "" && /^[\s−\-$€£¥₹₽₩₺₴\d.]/u.test(body)) {
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
    const near = nearProduct(unknown[0] ?? "", [...this.model.givens.keys(), ...this.model.variables.keys()]);
    const isAlone = named.length === 0 && through.length === 0 && unknown.length === 1;
    return isAlone && isFormula && !near && !isJoining(unknown[0]!) ? unknown[0]! : null;
  }
}
