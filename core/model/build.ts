import { isSince } from "../calendar";
import { poly, rationalOfDouble, rationalOfTyped, ratio, toDouble, type Polynomial, type Rational } from "../numeric";
import { Enclosure, EMPTY, NOTHING, iv, up, down } from "../interval";
import { parseUnit, sameUnit, times, type Unit } from "../units";
import {
  RESERVED,
  VARIABLE,
  call,
  encloseRational,
  latexName,
  latexOf,
  nearName,
  parse,
  parts,
  polynomialLatex,
  polynomialText,
  quoted,
  resolve,
  expressionText,
  type Expression,
  type NamedNumber,
  type Names,
  type Problem,
  type Resolved,
} from "../formula";
import {
  FunctionTable,
  encloseAt,
  encloseConstant,
  exactRational,
  integrate,
  polynomialExpression,
  polynomialForm,
  newWork,
  partition,
  spotOfEnd,
  spotOfRational,
  valueAt,
  type CellPart,
  type Piece,
  type Spot,
} from "../solve";
import type { CaseFile, FunctionRow, NumberText, PieceRow } from "./case";
import { dataOf, fitRows, fittedForm, rowsOf, type FitBy, type ModelFit } from "./fits";
import { checkUnits, difference, unitName, type UnitNames, type UnitProblem } from "./unitCheck";

/**
 * Something wrong with a case, at a path such as `functions[2].by.text`, and at a place in the text where there is one.
 */
export interface CaseProblem {
  readonly path: string;
  readonly message: string;
  readonly at?: number;
  readonly end?: number;
  readonly mend?: string;
}

export interface ModelVariable {
  readonly name: string;
  readonly unit: Unit | null;
  readonly label: string;
  readonly whole: boolean;
  /** null: unbounded */
  readonly from: Rational | null;
  readonly to: Rational | null;
  /** the ends as they are, also where they are no fractions */
  readonly start: Spot | null;
  readonly end: Spot | null;
  readonly since: string | number | null;
}

export interface ModelFunction {
  readonly name: string;
  readonly of: string;
  readonly label: string;
  /** declared, else derived from its parts */
  readonly unit: Unit | null;
  readonly unitsAgree: boolean | null;
  readonly unitProblems: readonly UnitProblem[];
  /** as formula text, for people and for files */
  readonly text: string;
  readonly latex: string;
  /** givens and functions it is made of */
  readonly uses: readonly string[];
  /** null: it can be used; else why not, in a plain sentence */
  readonly trouble: string | null;
}

export interface Model {
  readonly source: CaseFile;
  readonly givens: ReadonlyMap<string, NamedNumber & { readonly unit: Unit | null }>;
  readonly variables: ReadonlyMap<string, ModelVariable>;
  readonly functions: ReadonlyMap<string, ModelFunction>;
  readonly table: FunctionTable;
  /** functions fitted to data, by name */
  readonly fits: ReadonlyMap<string, ModelFit>;
  readonly names: Names;
  readonly errors: readonly CaseProblem[];
  readonly warnings: readonly CaseProblem[];
}

/** Stands in the place of one given, to be turned into an unknown afterwards; recognised by identity. */
export const UNKNOWN_GIVEN = new Enclosure(-Infinity, Infinity);

const NAME = /^\p{L}[\p{L}\p{Nd}_]*$/u;
/** Most steps that one value of a function may take. */
const MAX_STEPS = 20_000;

/**
 * Puts a case together: numbers, units, names and formulas, with every problem found on the way. A function with a
 * problem stays in the model with its `trouble` said, so that all others can still be looked at.
 *
 * @param unknownGiven  a given to be treated as an unknown (for questions about a given)
 */
export function buildModel(source: CaseFile, unknownGiven: string | null = null): Model {
  return new Builder(source, unknownGiven).build();
}

class Builder {
  private readonly errors: CaseProblem[] = [];
  private readonly warnings: CaseProblem[] = [];
  private readonly givens = new Map<string, NamedNumber & { unit: Unit | null }>();
  private readonly variables = new Map<string, ModelVariable>();
  private readonly functions = new Map<string, ModelFunction>();
  private readonly table = new FunctionTable();
  private readonly fits = new Map<string, ModelFit>();
  private readonly rows = new Map<string, { row: FunctionRow; index: number }>();
  private readonly resolved = new Map<string, Resolved[]>();
  /** steps that one value of a function takes */
  private readonly costs = new Map<string, number>();

  constructor(
    private readonly source: CaseFile,
    private readonly unknownGiven: string | null,
  ) {}

  build(): Model {
    this.checkNames();
    this.readGivens();
    this.source.functions?.forEach((row, index) => {
      if (!this.rows.has(row.name)) this.rows.set(row.name, { row, index });
    });
    this.readVariables();
    for (const { row, index } of this.rows.values()) this.parseFunction(row, index);
    const blocked = this.findCycles();
    for (const { row, index } of this.inOrder(blocked)) this.defineFunction(row, index, blocked.get(row.name) ?? null);
    this.checkMarks();
    this.checkData();
    const ordered = new Map(
      [...this.rows.keys()].flatMap((name) => {
        const f = this.functions.get(name);
        return f ? [[name, f] as const] : [];
      }),
    );
    return {
      source: this.source,
      givens: this.givens,
      variables: this.variables,
      functions: ordered,
      table: this.table,
      fits: this.fits,
      names: this.namesFor(null),
      errors: this.errors,
      warnings: this.warnings,
    };
  }

  private error(path: string, message: string, p?: Problem): void {
    this.errors.push({
      path,
      message,
      ...(p ? { at: p.start, end: p.end, ...(p.mend === undefined ? {} : { mend: p.mend }) } : {}),
    });
  }
  private warn(path: string, message: string, at?: number): void {
    this.warnings.push({ path, message, ...(at === undefined ? {} : { at }) });
  }

  private namesFor(variable: string | null): Names {
    const functions = new Map([...this.rows.values()].map(({ row }) => [row.name, { of: row.of }]));
    return {
      variable,
      givens: this.givens,
      functions,
      variables: new Set((this.source.variables ?? []).map((v) => v.name)),
    };
  }

  private checkNames(): void {
    const seen = new Map<string, string>();
    const check = (name: string, path: string) => {
      if (!NAME.test(name))
        this.error(
          path,
          `${quoted(name)} cannot be a name: a name starts with a letter and goes on with letters, digits or \`_\`.`,
        );
      else if (RESERVED.has(name))
        this.error(
          path,
          `${quoted(name)} is the name of ` +
            `${name === "e" || name === "pi" ? "a number" : "a built-in function"}; choose ` +
            "another name.",
        );
      const before = seen.get(name);
      if (before) {
        this.error(
          path,
          `The name ${quoted(name)} is used twice: here and at ${before}. Each name stands for one thing.`,
        );
        return;
      }
      const alike = [...seen.keys()].find((k) => k.toLowerCase() === name.toLowerCase());
      if (alike)
        this.warn(
          path,
          `${quoted(name)} and ${quoted(alike)} differ only in capitals; a slip between them would go unseen.`,
        );
      seen.set(name, path);
    };
    this.source.givens?.forEach((g, i) => check(g.name, `givens[${i}].name`));
    this.source.variables?.forEach((v, i) => check(v.name, `variables[${i}].name`));
    this.source.functions?.forEach((f, i) => check(f.name, `functions[${i}].name`));
    // A plan may use the variables of the case; a clash is only with givens and functions.
    this.source.plan?.variables.forEach((v, i) => {
      if (!(this.source.variables ?? []).some((w) => w.name === v.name)) check(v.name, `plan.variables[${i}].name`);
    });
    const ids = new Set<string>();
    this.source.questions?.forEach((q, i) => {
      if (ids.has(q.id))
        this.error(`questions[${i}].id`, `The id ${quoted(q.id)} is used twice; every question has its own.`);
      ids.add(q.id);
    });
  }

  private unit(text: string | undefined, path: string): Unit | null {
    if (text === undefined || text.trim() === "") return null;
    const read = parseUnit(text);
    if (read.unit) return read.unit;
    this.error(path, `${quoted(text)} is not a unit: ${read.reason}. Examples: \`$\`, \`$/lantern\`, \`m/s^2\`.`);
    return null;
  }

  private readGivens(): void {
    this.source.givens?.forEach((g, i) => {
      const unit = this.unit(g.unit, `givens[${i}].unit`);
      if (!Number.isFinite(g.value)) {
        this.error(`givens[${i}].value`, `The value of ${quoted(g.name)} is not a number.`);
        return;
      }
      const exact = rationalOfTyped(g.value);
      const unknown = g.name === this.unknownGiven;
      this.givens.set(
        g.name,
        unknown || !exact
          ? {
              value: g.value,
              exact: null,
              within: unknown ? UNKNOWN_GIVEN : new Enclosure(down(g.value), up(g.value)),
              unit,
            }
          : { value: g.value, exact, within: encloseRational(exact), unit },
      );
      if (unit && /^%/.test(unit.text) && Math.abs(g.value) > 1) {
        this.warn(
          `givens[${i}].value`,
          `${g.name} is ${Number((g.value * 100).toPrecision(10))} %. If ${g.value} % was ` +
            `meant, the value is ${Number((g.value / 100).toPrecision(12))}.`,
        );
      }
    });
  }

  /** A number, or a formula text in givens. */
  private number(value: NumberText, path: string): Rational | null {
    return this.amount(value, path)?.exact ?? null;
  }
  private amount(value: NumberText, path: string): { exact: Rational; irrational: Expression | null } | null {
    const result = readAmount(value, this.namesFor(null));
    if (result.ok) return result;
    this.error(path, result.problem.message, result.problem);
    return null;
  }

  private readVariables(): void {
    this.source.variables?.forEach((v, i) => {
      const path = `variables[${i}]`;
      const [start, end] = [
        v.from === undefined ? null : this.amount(v.from, `${path}.from`),
        v.to === undefined ? null : this.amount(v.to, `${path}.to`),
      ];
      const [from, to] = [start?.exact ?? null, end?.exact ?? null];
      if (from && to && from.compare(to) > 0)
        this.error(
          `${path}.from`,
          `The range of ${quoted(v.name)} starts at ${toDouble(from)}, after its end ` +
            `${toDouble(to)}; exchange the two.`,
        );
      if (v.since !== undefined && !isSince(v.since))
        this.error(
          `${path}.since`,
          `${quoted(String(v.since))} is no date; write a year such as 2031 or a date such as \`2031-01-06\`.`,
        );
      const bad = from && to && from.compare(to) > 0;
      const [first, last] = bad ? [end, start] : [start, end];
      this.variables.set(v.name, {
        name: v.name,
        unit: this.unit(v.unit, `${path}.unit`),
        label: v.label ?? "",
        whole: v.whole === true,
        since: v.since ?? null,
        from: bad ? to : from,
        to: bad ? from : to,
        start: first && spotOfEnd(first.exact, first.irrational),
        end: last && spotOfEnd(last.exact, last.irrational),
      });
    });
  }

  // ---- functions -----------------------------------------------------------------------------------------

  private texts(row: FunctionRow, index: number): { text: string; path: string }[] {
    const by = row.by;
    const path = `functions[${index}].by`;
    if (by.kind === "formula") return [{ text: by.text, path: `${path}.text` }];
    if (by.kind === "pieces") return by.pieces.map((p, i) => ({ text: p.text, path: `${path}.pieces[${i}].text` }));
    return [];
  }

  private parseFunction(row: FunctionRow, index: number): void {
    if (!this.variables.has(row.of)) {
      const near = nearName(row.of, [...this.variables.keys()]);
      this.error(
        `functions[${index}].of`,
        `${quoted(row.name)} is of ${quoted(row.of)}, which is no variable of this case.` +
          `${near ? ` Did you mean ${quoted(near)}?` : " Write the variable first."}`,
      );
    }
    const names = this.namesFor(row.of);
    this.resolved.set(
      row.name,
      this.texts(row, index).map(({ text, path }) => {
        const r = resolve(text, names);
        for (const p of r.problems) this.error(path, p.message, p);
        for (const w of r.warnings)
          this.warnings.push({
            path,
            message: w.message,
            at: w.start,
            end: w.end,
            ...(w.mend === undefined ? {} : { mend: w.mend }),
          });
        return r;
      }),
    );
  }

  private usesOf(name: string): string[] {
    const row = this.rows.get(name)!.row;
    if (row.by.kind === "total" || row.by.kind === "slope") return [row.by.function];
    return [...new Set((this.resolved.get(name) ?? []).flatMap((r) => [...r.uses.keys()]))];
  }

  /** Functions that come to need themselves, each with the sentence that says so. */
  private findCycles(): Map<string, string> {
    const state = new Map<string, "open" | "done">();
    const blocked = new Map<string, string>();
    const visit = (name: string, trail: string[]): void => {
      if (state.get(name) === "done") return;
      if (state.get(name) === "open") {
        const circle = [...trail.slice(trail.indexOf(name)), name];
        const last = circle[circle.length - 2]!;
        const { index } = this.rows.get(last)!;
        const message =
          circle.length === 2
            ? `${quoted(name)} is made of itself; a function needs to be made of others.`
            : `${circle
                .slice(0, -1)
                .map((n, i) => `${n} needs ${circle[i + 1]}`)
                .join(", and ")}: a circle of functions has no values. Take one of these names out.`;
        const place = (this.resolved.get(last) ?? []).map((r) => r.uses.get(name)).find((p) => p);
        this.errors.push({
          path: this.texts(this.rows.get(last)!.row, index)[0]?.path ?? `functions[${index}].by`,
          message,
          ...(place ? { at: place.start, end: place.end } : {}),
        });
        for (const n of circle) blocked.set(n, message);
        return;
      }
      state.set(name, "open");
      for (const used of this.usesOf(name)) if (this.rows.has(used)) visit(used, [...trail, name]);
      state.set(name, "done");
    };
    for (const name of this.rows.keys()) visit(name, []);
    return blocked;
  }

  private inOrder(blocked: ReadonlyMap<string, string>): { row: FunctionRow; index: number }[] {
    const out: { row: FunctionRow; index: number }[] = [];
    const done = new Set<string>();
    const visit = (name: string): void => {
      if (done.has(name)) return;
      done.add(name);
      if (!blocked.has(name)) for (const used of this.usesOf(name)) if (this.rows.has(used)) visit(used);
      out.push(this.rows.get(name)!);
    };
    for (const name of this.rows.keys()) visit(name);
    return out;
  }

  private defineFunction(row: FunctionRow, index: number, circle: string | null): void {
    const path = `functions[${index}]`;
    const declared = this.unit(row.unit, `${path}.unit`);
    const uses = this.usesOf(row.name);
    let made: Made | null = null;
    let trouble = circle;
    if (!trouble) {
      const broken = uses.map((u) => this.functions.get(u)).find((f) => f?.trouble);
      if (broken) trouble = `${row.name} needs ${broken.name}. ${broken.trouble}`;
    }
    if (!trouble && !this.variables.has(row.of))
      trouble = `${row.name} is of ${row.of}, which is no variable of this case.`;
    if (!trouble) {
      try {
        made = this.make(row, index);
      } catch (failure) {
        if (!(failure instanceof Trouble)) throw failure;
        trouble = failure.message;
      }
    }
    const syntaxes = (this.resolved.get(row.name) ?? []).map((r) => r.syntax);
    const units = made ? this.judgeUnits(row, index, declared) : { agree: null, derived: null, problems: [] };
    this.functions.set(row.name, {
      name: row.name,
      of: row.of,
      label: row.label ?? "",
      unit: declared ?? units.derived,
      unitsAgree: units.agree,
      unitProblems: units.problems,
      text: made?.text ?? this.texts(row, index)[0]?.text ?? "",
      latex: made?.latex ?? (syntaxes[0] ? latexOf(syntaxes[0]) : ""),
      uses,
      trouble,
    });
  }

  private make(row: FunctionRow, index: number): Made {
    const by = row.by;
    switch (by.kind) {
      case "formula": {
        const r = this.resolved.get(row.name)![0]!;
        if (!r.expression) throw new Trouble(r.problems[0]!.message);
        this.checkCost(row, index, [r.expression]);
        this.table.define(row.name, { kind: "expression", expression: r.expression });
        return { text: by.text.trim(), latex: latexOf(r.syntax!) };
      }
      case "line":
        return this.line(row, index, by.through);
      case "pieces":
        return this.pieces(row, index, by.pieces);
      case "slope": {
        const f = this.requireFunction(row, by.function, `functions[${index}].by.function`);
        this.table.define(row.name, { kind: "expression", expression: call(f.name, 1, VARIABLE) });
        return { text: `${f.name}'(${row.of})`, latex: `${latexName(f.name)}'(${latexName(row.of)})` };
      }
      case "total":
        return this.total(row, index, by.function, by.from ?? 0);
      case "fit":
        return this.fitted(row, index, by);
    }
  }

  private fitted(row: FunctionRow, index: number, by: FitBy): Made {
    const path = `functions[${index}].by`;
    const lost = (key: string, message: string): never => {
      this.error(`${path}.${key}`, message);
      throw new Trouble(message);
    };
    const table = dataOf(by, this.source.data ?? []);
    if ("key" in table) return lost(table.key, table.message);
    if (by.method === "logs" && by.model !== "power" && by.model !== "exponential")
      return lost("method", "The method `logs` is for the models `power` and `exponential`; leave it out here.");
    if (by.model === "own" && !by.text?.trim())
      return lost(
        "text",
        "A model of one's own needs a formula in `text`, with free constants, as in `a (1 - exp(-b x))`.",
      );
    const rows = rowsOf(by, table);
    // A formula of one's own may be written in the name of the column.
    const plainNames = this.namesFor(row.of);
    // A name with a start is a free constant, whatever else it may be called elsewhere.
    const started = new Set(Object.keys(by.start ?? {}));
    const without = <T>(map: ReadonlyMap<string, T>) => new Map([...map].filter(([name]) => !started.has(name)));
    const names =
      started.size > 0
        ? { ...plainNames, givens: without(plainNames.givens), functions: without(plainNames.functions) }
        : plainNames;
    const spoken =
      by.model === "own" &&
      by.x !== row.of &&
      !new RegExp(String.raw`(?<![\p{L}\p{Nd}_])${row.of}(?![\p{L}\p{Nd}_])`, "u").test(by.text!) &&
      !names.givens.has(by.x)
        ? { ...names, variable: by.x }
        : names;
    const fit = fitRows(by, rows, spoken);
    if (!fit.ok) {
      const message = `${quoted(row.name)} cannot be fitted: ${fit.reason}`;
      if (fit.at) {
        this.errors.push({ path: `${path}.text`, message: fit.reason, at: fit.at.start, end: fit.at.end });
        throw new Trouble(fit.reason);
      }
      this.warn(path, message);
      throw new Trouble(message);
    }
    const form = fittedForm(by, fit, row.of);
    this.table.define(row.name, { kind: "expression", expression: form.expression });
    const [from, to] = [
      rows.x.reduce((m, v) => Math.min(m, v), Infinity),
      rows.x.reduce((m, v) => Math.max(m, v), -Infinity),
    ];
    this.fits.set(row.name, { by, fit, skipped: rows.skipped, from, to });
    if (by.model === "own") this.sayBreaks(row, path, form.expression, from, to);
    return { text: form.text, latex: form.latex };
  }

  /** A formula of one's own may pass through the rows and still have no value between two of them. */
  private sayBreaks(row: FunctionRow, path: string, e: Expression, from: number, to: number): void {
    if (!(from < to)) return;
    const [start, end] = [from, to].map((x) => spotOfRational(rationalOfDouble(x)));
    const parts = partition([e], this.table, { from: start!, to: end! }, newWork(2000, 100));
    const gap = parts.find(
      (p) =>
        (p.kind === "cell" && p.formulas[0] === null) ||
        (p.kind === "place" && valueAt(e, p.spot, this.table).kind === "none"),
    );
    if (!gap) return;
    const near = gap.kind === "place" ? gap.spot.at : gap.kind === "cell" ? (gap.from?.at ?? from) : from;
    this.warn(
      path,
      `${row.name} has no value at ${row.of} = ${Number(near.toPrecision(6))}, inside the ` +
        "data: the fitted formula breaks there, whatever it misses on the rows.",
    );
  }

  private checkData(): void {
    const seen = new Set<string>();
    this.source.data?.forEach((t, i) => {
      if (seen.has(t.name))
        this.error(`data[${i}].name`, `Two tables are named ${quoted(t.name)}; each needs a name of its own.`);
      seen.add(t.name);
      const names = new Set<string>();
      t.columns.forEach((c, j) => {
        if (names.has(c.name))
          this.error(`data[${i}].columns[${j}].name`, `Two columns of ${quoted(t.name)} are named ${quoted(c.name)}.`);
        names.add(c.name);
        this.unit(c.unit, `data[${i}].columns[${j}].unit`);
      });
      const long = t.rows.findIndex((r) => r.length !== t.columns.length);
      if (long >= 0)
        this.error(
          `data[${i}].rows[${long}]`,
          `Row ${long + 1} of ${quoted(t.name)} has ${t.rows[long]!.length} numbers, but there ` +
            `are ${t.columns.length} columns; write null for a number that is missing.`,
        );
    });
  }

  /**
   * Calls of calls multiply: a function whose one value takes too many steps is refused before anything hangs on it.
   */
  private checkCost(row: FunctionRow, index: number, expressions: readonly Expression[]): void {
    const cost = expressions.reduce((sum, e) => sum + this.stepsOf(e, new Set()), 0);
    this.costs.set(row.name, cost);
    if (cost <= MAX_STEPS) return;
    const message =
      `One value of ${quoted(row.name)} takes more than ${MAX_STEPS.toLocaleString("en")} ` +
      "steps, since its functions call each other again and again; shorten the chain.";
    this.error(`functions[${index}].by`, message);
    throw new Trouble(message);
  }
  private stepsOf(e: Expression, atVariable: Set<string>): number {
    if (e.kind !== "call") return 1 + parts(e).reduce((sum, p) => sum + this.stepsOf(p, atVariable), 0);
    const key = `${e.name}#${e.order}`;
    const own = e.a.kind === "variable" && atVariable.has(key) ? 0 : (this.costs.get(e.name) ?? 1) * 4 ** e.order;
    if (e.a.kind === "variable") atVariable.add(key);
    return 1 + own + this.stepsOf(e.a, atVariable);
  }

  private requireFunction(row: FunctionRow, name: string, path: string): ModelFunction {
    const f = this.functions.get(name);
    if (f && !f.trouble && f.of === row.of) return f;
    const near = nearName(name, [...this.rows.keys()]);
    const message = !f
      ? `${quoted(name)} is no function of this case.${near ? ` Did you mean ${quoted(near)}?` : ""}`
      : (f.trouble ?? `${quoted(name)} is a function of ${f.of}, but ${quoted(row.name)} is of ${row.of}.`);
    if (!f || !f.trouble) this.error(path, message);
    throw new Trouble(message);
  }

  private line(row: FunctionRow, index: number, through: readonly [NumberText, NumberText][]): Made {
    const path = `functions[${index}].by.through`;
    const points = through.map(
      ([x, y], i) => [this.number(x, `${path}[${i}][0]`), this.number(y, `${path}[${i}][1]`)] as const,
    );
    if (points.length < 2) {
      this.error(path, `A line needs two readings; ${quoted(row.name)} has ${points.length}.`);
      throw new Trouble(`${row.name} needs two readings.`);
    }
    const [x1, y1] = points[0]!;
    const [x2, y2] = points[1]!;
    if (!x1 || !y1 || !x2 || !y2) throw new Trouble(`A reading of ${row.name} is not a number.`);
    if (x1.compare(x2) === 0) {
      const message =
        `Both readings of ${quoted(row.name)} are at ${row.of} = ${toDouble(x1)}; a line ` +
        "needs two different inputs.";
      this.error(`${path}[1][0]`, message);
      throw new Trouble(message);
    }
    const slope = y2.sub(y1).div(x2.sub(x1));
    const p: Polynomial = poly.trim([y1.sub(slope.mul(x1)), slope]);
    points.slice(2).forEach(([x, y], i) => {
      if (x && y && poly.valueAt(p, x).compare(y) !== 0)
        this.warn(
          `${path}[${i + 2}]`,
          `The reading (${toDouble(x)}, ${toDouble(y)}) does not lie on the line through the ` +
            `first two, which gives ${Number(toDouble(poly.valueAt(p, x)).toPrecision(6))} there.`,
        );
    });
    this.table.define(row.name, { kind: "expression", expression: polynomialExpression(p) });
    return { text: polynomialText(p, row.of), latex: polynomialLatex(p, row.of) };
  }

  private pieces(row: FunctionRow, index: number, rows: readonly PieceRow[]): Made {
    const path = `functions[${index}].by.pieces`;
    const resolved = this.resolved.get(row.name)!;
    if (rows.length === 0) {
      this.error(path, `${quoted(row.name)} has no pieces yet.`);
      throw new Trouble(`${row.name} has no pieces yet.`);
    }
    const broken = resolved.find((r) => !r.expression);
    if (broken) throw new Trouble(broken.problems[0]!.message);
    this.checkCost(
      row,
      index,
      resolved.map((r) => r.expression!),
    );
    const pieces: (Piece & { row: number })[] = rows
      .map((p, i) => {
        const from = p.from === undefined ? null : this.number(p.from, `${path}[${i}].from`);
        const to = p.to === undefined ? null : this.number(p.to, `${path}[${i}].to`);
        const ends = p.ends ?? "[]";
        if (from && to && from.compare(to) > 0) {
          const message =
            `Piece ${i + 1} of ${quoted(row.name)} starts at ${toDouble(from)}, after its end ` + `${toDouble(to)}.`;
          this.error(`${path}[${i}].from`, message);
          throw new Trouble(message);
        }
        return {
          row: i,
          expression: resolved[i]!.expression!,
          from,
          to,
          low: from ? toDouble(from) : -Infinity,
          high: to ? toDouble(to) : Infinity,
          closedFrom: ends.startsWith("["),
          closedTo: ends.endsWith("]"),
        };
      })
      .sort((a, b) => a.low - b.low || a.high - b.high);
    let overlap = false;
    pieces.forEach((p, i) => {
      const next = pieces[i + 1];
      if (!next) return;
      if (next.low < p.high || (next.low === p.high && p.closedTo && next.closedFrom)) {
        overlap = true;
        this.error(
          `${path}[${next.row}].from`,
          next.low < p.high
            ? `Pieces ${p.row + 1} and ${next.row + 1} of ${quoted(row.name)} overlap from ` +
                `${next.low} to ${Math.min(p.high, next.high)}; one input has one value.`
            : `Pieces ${p.row + 1} and ${next.row + 1} of ${quoted(row.name)} both own ${row.of} = ` +
                `${next.low}; open one of the two ends.`,
        );
      } else if (next.low > p.high || (!p.closedTo && !next.closedFrom)) {
        this.warn(
          `functions[${index}]`,
          next.low > p.high
            ? `${row.name} has no value between ${row.of} = ${p.high} and ${next.low}.`
            : `${row.name} has no value at ${row.of} = ${p.high}: neither piece owns it.`,
        );
      }
    });
    if (overlap) throw new Trouble(`Pieces of ${row.name} overlap.`);
    this.table.define(row.name, { kind: "pieces", pieces });
    for (let i = 0; i + 1 < pieces.length; i++) this.sayJump(row, index, pieces[i]!, pieces[i + 1]!);
    const text = rows.map((p) => `${p.text.trim()} ${rangeText(row.of, p)}`).join("; ");
    const latex =
      `\\begin{cases}` +
      `${rows.map((p, i) => `${latexOf(resolved[i]!.syntax!)} & ${rangeLatex(row.of, p)}`).join("\\\\ ")}` +
      `\\end{cases}`;
    return { text, latex };
  }

  private sayJump(row: FunctionRow, index: number, p: Piece, next: Piece): void {
    if (!p.to || !next.from || p.to.compare(next.from) !== 0) return;
    const left = encloseAt(p.expression, this.table, p.to);
    const right = encloseAt(next.expression, this.table, p.to);
    if (left.flags & EMPTY || right.flags & EMPTY || (left.lo <= right.hi && right.lo <= left.hi)) return;
    const size = (right.lo + right.hi) / 2 - (left.lo + left.hi) / 2;
    this.warn(
      `functions[${index}]`,
      `${row.name} jumps by ${Number(size.toPrecision(6))} at ${row.of} = ${p.high}, from ` +
        `${Number(((left.lo + left.hi) / 2).toPrecision(6))} to ` +
        `${Number(((right.lo + right.hi) / 2).toPrecision(6))}.`,
    );
  }

  /**
   * Running total s(x) = ∫ f from `from` to x: written out where every part of f is a polynomial, else summed with
   * bounds when asked.
   */
  private total(row: FunctionRow, index: number, name: string, start: NumberText): Made {
    const f = this.requireFunction(row, name, `functions[${index}].by.function`);
    const from = this.number(start, `functions[${index}].by.from`);
    if (!from) throw new Trouble(`The start of ${row.name} is not a number.`);
    const inner = call(f.name, 0, VARIABLE);
    const latex = `\\int_{${Number(toDouble(from).toPrecision(8))}}^{${latexName(row.of)}} ${latexName(f.name)}`;
    const variable = this.variables.get(row.of);
    const parts = partition([inner], this.table, { from: null, to: null }).filter((p) => p.kind !== "place");
    const cells = parts.flatMap((p) => (p.kind === "cell" && hasFractionEnds(p) ? [p] : []));
    const polynomials = cells.map((p) => (p.formulas[0] ? polynomialForm(p.formulas[0]) : null));
    if (cells.length === parts.length && cells.every((p, i) => polynomials[i] !== null || p.formulas[0] === null)) {
      const pieces = totalPieces(
        cells.map((p) => ({ from: p.from?.rational ?? null, to: p.to?.rational ?? null })),
        polynomials,
        from,
      );
      if (pieces.length === 1 && !pieces[0]!.from && !pieces[0]!.to) {
        this.table.define(row.name, { kind: "expression", expression: pieces[0]!.expression });
        const p = polynomialForm(pieces[0]!.expression)!;
        return { text: polynomialText(p, row.of), latex: polynomialLatex(p, row.of) };
      }
      this.table.define(row.name, { kind: "pieces", pieces });
      return { text: pieces.map((p) => `${expressionText(p.expression, row.of)}`).join("; "), latex };
    }
    this.table.define(row.name, { kind: "closures", ...runningTotal(inner, this.table, from, variable), slope: inner });
    return { text: `total of ${f.name} from ${toDouble(from)}`, latex };
  }

  // ---- units ----------------------------------------------------------------------------------------------

  private judgeUnits(
    row: FunctionRow,
    index: number,
    declared: Unit | null,
  ): { agree: boolean | null; derived: Unit | null; problems: UnitProblem[] } {
    const variable = this.variables.get(row.of);
    const names: UnitNames = {
      variable: variable ? { name: variable.name, unit: variable.unit } : null,
      givenUnit: (name) => this.givens.get(name)?.unit ?? null,
      functionUnits: (name) => {
        const f = this.functions.get(name);
        return f ? { value: f.unit, input: this.variables.get(f.of)?.unit ?? null } : null;
      },
    };
    const by = row.by;
    if (by.kind === "line") return { agree: declared ? true : null, derived: null, problems: [] };
    if (by.kind === "total" || by.kind === "slope") {
      const f = this.functions.get(by.function);
      const derived = f?.unit && variable?.unit ? times(f.unit, variable.unit, by.kind === "total" ? 1 : -1) : null;
      return this.against(row, index, declared, derived, [], derived !== null);
    }
    if (by.kind === "fit") {
      const column = (name: string) => {
        const u = this.source.data?.find((t) => t.name === by.data)?.columns.find((c) => c.name === name)?.unit;
        return u ? parseUnit(u).unit : null;
      };
      const input = column(by.x);
      if (input && variable?.unit && !sameUnit(input, variable.unit)) {
        const message =
          `The column ${by.x} is in ${unitName(input)}, but ${row.of} is in ` +
          `${unitName(variable.unit)}: ${difference(input, variable.unit)}.`;
        this.warn(`functions[${index}].by.x`, message);
        return { agree: false, derived: column(by.y), problems: [{ start: 0, end: 0, message }] };
      }
      return this.against(row, index, declared, column(by.y), [], column(by.y) !== null);
    }
    const problems: UnitProblem[] = [];
    let derived: Unit | null = null;
    let anything = false;
    this.texts(row, index).forEach(({ text, path }, i) => {
      const syntax = this.resolved.get(row.name)![i]?.syntax;
      if (!syntax) return;
      const check = checkUnits(syntax, text, names);
      anything ||= check.anything;
      derived ??= check.unit;
      for (const p of check.problems) {
        problems.push(p);
        this.warnings.push({ path, message: p.message, at: p.start, end: p.end, ...(p.mend ? { mend: p.mend } : {}) });
      }
    });
    return this.against(row, index, declared, derived, problems, anything);
  }

  private against(
    row: FunctionRow,
    index: number,
    declared: Unit | null,
    derived: Unit | null,
    problems: UnitProblem[],
    anything: boolean,
  ): { agree: boolean | null; derived: Unit | null; problems: UnitProblem[] } {
    if (problems.length === 0 && declared && derived && !sameUnit(declared, derived)) {
      const message =
        `${row.name} is said to be in ${unitName(declared)}, but its formula gives ` +
        `${unitName(derived)}: ${difference(derived, declared)}.`;
      problems = [{ start: 0, end: 0, message }];
      this.warn(`functions[${index}].unit`, message);
    }
    const agree = problems.length > 0 ? false : declared || anything ? true : null;
    return { agree, derived, problems };
  }

  private checkMarks(): void {
    const length = this.source.story?.text.length ?? 0;
    this.source.story?.marks?.forEach((m, i) => {
      if (m.start >= m.end || m.end > length)
        this.error(
          `story.marks[${i}]`,
          `This mark covers ${m.start} to ${m.end}, but the story has ${length} characters.`,
        );
    });
  }
}

interface Made {
  readonly text: string;
  readonly latex: string;
}
class Trouble extends Error {}

/** Reads a number or a formula text in givens, exactly where it is a fraction, else to the nearest double. */
export function readAmount(
  value: NumberText,
  names: Names,
):
  | {
      ok: true;
      exact: Rational;
      value: number;
      /** the number itself, where it is no fraction: 2π, √2 */ irrational: Expression | null;
    }
  | { ok: false; problem: Problem } {
  if (typeof value === "number") {
    const exact = rationalOfTyped(value);
    return exact
      ? { ok: true, exact, value, irrational: null }
      : { ok: false, problem: { code: "unexpected", start: 0, end: 0, message: `${value} is not a number.` } };
  }
  const r = resolve(value, { ...names, variable: null });
  if (!r.expression) return { ok: false, problem: r.problems[0]! };
  const exact = exactRational(r.expression);
  if (exact) return { ok: true, exact, value: toDouble(exact), irrational: null };
  const within = encloseConstant(r.expression);
  if (within.flags & EMPTY || !Number.isFinite(within.lo) || !Number.isFinite(within.hi))
    return {
      ok: false,
      problem: { code: "domain", start: 0, end: value.length, message: `${quoted(value)} has no value.` },
    };
  const near = within.lo + (within.hi - within.lo) / 2;
  return { ok: true, exact: rationalOfDouble(near), value: near, irrational: r.expression };
}

const rangeText = (x: string, p: PieceRow): string => {
  const ends = p.ends ?? "[]";
  const low = p.from === undefined ? "" : `${p.from} ${ends.startsWith("[") ? "<=" : "<"} `;
  const high = p.to === undefined ? "" : ` ${ends.endsWith("]") ? "<=" : "<"} ${p.to}`;
  return low || high ? `for ${low}${x}${high}` : `for all ${x}`;
};
const amountLatex = (value: NumberText): string => {
  const parsed = parse(String(value), () => false);
  return parsed.ok ? latexOf(parsed.syntax) : String(value);
};
const rangeLatex = (x: string, p: PieceRow): string => {
  const ends = p.ends ?? "[]";
  const low = p.from === undefined ? "" : `${amountLatex(p.from)} ${ends.startsWith("[") ? "\\le" : "<"} `;
  const high = p.to === undefined ? "" : ` ${ends.endsWith("]") ? "\\le" : "<"} ${amountLatex(p.to)}`;
  return `${low}${latexName(x)}${high}`;
};

const hasFractionEnds = (p: CellPart): boolean =>
  (!p.from || p.from.rational !== null) && (!p.to || p.to.rational !== null);

/** The pieces of a running total of a function whose parts are polynomials: joined without a jump, and 0 at `from`. */
function totalPieces(
  parts: readonly { from: Rational | null; to: Rational | null }[],
  polynomials: readonly (Polynomial | null)[],
  from: Rational,
): Piece[] {
  const home = parts.findIndex(
    (p, i) => polynomials[i] && (!p.from || p.from.compare(from) <= 0) && (!p.to || p.to.compare(from) >= 0),
  );
  if (home < 0) return [];
  const whole = polynomials.map((p) => p && poly.antiderivative(p));
  const constants: (Rational | null)[] = parts.map(() => null);
  constants[home] = poly.valueAt(whole[home]!, from).neg();
  const at = (i: number, x: Rational) => poly.valueAt(whole[i]!, x).add(constants[i]!);
  for (let i = home + 1; i < parts.length && whole[i] && constants[i - 1]; i++)
    constants[i] = at(i - 1, parts[i]!.from!).sub(poly.valueAt(whole[i]!, parts[i]!.from!));
  for (let i = home - 1; i >= 0 && whole[i] && constants[i + 1]; i--)
    constants[i] = at(i + 1, parts[i]!.to!).sub(poly.valueAt(whole[i]!, parts[i]!.to!));
  return parts.flatMap((p, i) => {
    const constant = constants[i];
    if (!whole[i] || !constant) return [];
    const expression = polynomialExpression(poly.add(whole[i]!, poly.constant(constant)));
    return [
      {
        expression,
        from: p.from,
        to: p.to,
        low: p.from ? toDouble(p.from) : -Infinity,
        high: p.to ? toDouble(p.to) : Infinity,
        closedFrom: true,
        closedTo: i === parts.length - 1 || !constants[i + 1],
      },
    ];
  });
}

/** Cells of the table a running total is read from. */
const TOTAL_CELLS = 256;

/** ∫ f from `from` to x for any f: proven sums up to grid points, and a bound of f times the rest of the way. */
function runningTotal(
  e: Expression,
  table: FunctionTable,
  from: Rational,
  variable: ModelVariable | undefined,
): { number: (x: number) => number; enclosure: (x: Enclosure) => Enclosure } {
  const memo = new Map<number, Enclosure>();
  const width = variable?.from && variable.to ? toDouble(variable.to.sub(variable.from)) : 16;
  const cell = rationalOfDouble(2 ** Math.round(Math.log2(Math.max(width, 1e-6) / TOTAL_CELLS)));
  const start = toDouble(from);
  const inner = table.enclosure;
  const knot = (k: number): Enclosure => {
    const known = memo.get(k);
    if (known) return known;
    if (k === 0) return new Enclosure(0, 0);
    const side = Math.sign(k);
    // Fill up from 0 so that no recursion goes deep.
    let sum = new Enclosure(0, 0);
    for (let j = side; ; j += side) {
      const have = memo.get(j);
      if (have) sum = have;
      else {
        const a = from.add(cell.mul(ratio(j - side)));
        const piece = integrate(e, table, spotOfRational(a), spotOfRational(a.add(cell.mul(ratio(side)))));
        sum = sum.flags & EMPTY || !piece.ok ? NOTHING : iv.add(sum, new Enclosure(piece.low, piece.high));
        memo.set(j, sum);
      }
      if (j === k) return sum;
    }
  };
  const cellWidth = toDouble(cell);
  const value = (x: number): Enclosure => {
    const k = Math.round((x - start) / cellWidth);
    if (!Number.isFinite(k) || Math.abs(k) > 20000) return NOTHING;
    const base = knot(k);
    const edge = from.add(cell.mul(ratio(k)));
    const rest = integrate(e, table, spotOfRational(edge), spotOfRational(rationalOfDouble(x)));
    return rest.ok && !(base.flags & EMPTY) ? iv.add(base, new Enclosure(rest.low, rest.high)) : NOTHING;
  };
  const f = call0(e, inner);
  return {
    number: (x) => {
      const v = value(x);
      return v.flags & EMPTY ? NaN : v.lo + (v.hi - v.lo) / 2;
    },
    enclosure: (x) => {
      if (x.flags & EMPTY || !Number.isFinite(x.lo) || !Number.isFinite(x.hi))
        return x.flags & EMPTY ? NOTHING : new Enclosure(-Infinity, Infinity);
      if (x.lo === x.hi) return value(x.lo);
      const m = x.lo + (x.hi - x.lo) / 2;
      return iv.add(value(m), iv.multiply(f(x), iv.subtract(x, new Enclosure(m, m))));
    },
  };
}
function call0(
  e: Expression,
  enclosure: (name: string, order: number) => (x: Enclosure) => Enclosure,
): (x: Enclosure) => Enclosure {
  return e.kind === "call" ? enclosure(e.name, e.order) : () => NOTHING;
}
