import type { Rational } from "../../numeric";
import type { Unit } from "../../units";
import { nearName, quoted, type Expression, type Names, type Resolved } from "../../formula";
import type { FunctionTable } from "../../solve";
import { readAmount } from "../amount";
import type { DataTable, FunctionRow, NumberText } from "../case";
import { MAX_STEPS, stepsOf } from "../cost";
import type { ModelFit } from "../fits";
import type { ModelFunction, ModelVariable } from "../model";
import { Trouble, type Problems } from "../problems";

/** What is there when a function is made: the case as far as it is put together, and where to say what is wrong. */
export interface Shop {
  readonly problems: Problems;
  readonly variables: ReadonlyMap<string, ModelVariable>;
  /** functions that are made already */
  readonly functions: ReadonlyMap<string, ModelFunction>;
  readonly functionNames: readonly string[];
  readonly data: readonly DataTable[];
  readonly table: FunctionTable;
  /** steps that one value of a function takes */
  readonly costs: Map<string, number>;
  readonly fits: Map<string, ModelFit>;
  namesFor(variable: string | null): Names;
}

/** One function being made, with its place in the case. */
export class Bench {
  constructor(
    readonly shop: Shop,
    readonly row: FunctionRow,
    /** `functions[2]` */
    readonly path: string,
    /** its formulas, read */
    readonly resolved: readonly Resolved[],
  ) {}

  get name(): string {
    return this.row.name;
  }
  get of(): string {
    return this.row.of;
  }
  get inputUnit(): Unit | null {
    return this.shop.variables.get(this.of)?.unit ?? null;
  }

  /** Says what is wrong at a place of the case, and stops. */
  fail(path: string, message: string): never {
    this.shop.problems.error(path, message);
    throw new Trouble(message);
  }
  warn(path: string, message: string): void {
    this.shop.problems.warn(path, message);
  }

  /** A number, or a formula text in givens; null where it is none, which is said. */
  number(value: NumberText, path: string): Rational | null {
    const read = readAmount(value, this.shop.namesFor(null));
    if (read.ok) return read.exact;
    this.shop.problems.error(path, read.problem.message, read.problem);
    return null;
  }

  /** The formulas, each of which has a value. @throws Trouble with what is wrong in the first that has none */
  expressions(): Expression[] {
    const expressions = this.resolved.map((r) => {
      if (!r.expression) throw new Trouble(r.problems[0]!.message);
      return r.expression;
    });
    this.checkCost(expressions);
    return expressions;
  }

  /** A function whose one value takes too many steps is refused before anything hangs on it. */
  private checkCost(expressions: readonly Expression[]): void {
    const { costs } = this.shop;
    const cost = expressions.reduce((sum, e) => sum + stepsOf(e, costs), 0);
    costs.set(this.name, cost);
    if (cost <= MAX_STEPS) return;
    const most = MAX_STEPS.toLocaleString("en");
    this.fail(
      `${this.path}.by`,
      `One value of ${quoted(this.name)} takes more than ${most} steps, ` +
        "since its functions call each other again and again; shorten the chain.",
    );
  }

  /** Another function of the same variable, which this one is made of. */
  requireFunction(name: string): ModelFunction {
    const f = this.shop.functions.get(name);
    if (f?.trouble) throw new Trouble(f.trouble);
    if (f?.of === this.of) return f;
    const near = nearName(name, this.shop.functionNames);
    return this.fail(
      `${this.path}.by.function`,
      f
        ? `${quoted(name)} is a function of ${f.of}, but ${quoted(this.name)} is of ${this.of}.`
        : `${quoted(name)} is no function of this case.${near ? ` Did you mean ${quoted(near)}?` : ""}`,
    );
  }
}
