import { toDouble } from "../numeric";
import type { Names } from "../formula";
import type { CaseProblem, Plan } from "../model";
import { readPlan, type Named } from "./readPlan";

/** A plan in doubles, its rows sparse: what a compiled solver takes, and what files of linear programs hold. */
export interface Program {
  readonly title: string;
  readonly variables: readonly { readonly name: string; readonly whole: boolean }[];
  readonly greatest: boolean;
  /** coefficients of the objective, one a variable; null where there is none */
  readonly cost: readonly number[] | null;
  readonly constant: number;
  /** lower ≤ Σ value·variable ≤ upper */
  readonly rows: readonly ProgramRow[];
}
export interface ProgramRow {
  readonly id: string;
  readonly lower: number;
  readonly upper: number;
  readonly entries: readonly (readonly [number, number])[];
  /** the number that was written beside the variables */
  readonly beside?: number;
}

/** Reads the plan of a case for a compiled solver. Every relation is a row, in order; a chained constraint has two. */
export function programOf(
  plan: Plan,
  names: Names,
  title = "",
): {
  readonly program: Program | null;
  readonly errors: readonly CaseProblem[];
  readonly warnings: readonly CaseProblem[];
} {
  const read = readPlan(plan, names);
  if (read.errors.length > 0) return { program: null, errors: read.errors, warnings: read.warnings };
  return {
    errors: [],
    warnings: read.warnings,
    program: {
      title,
      variables: plan.variables.map((v) => ({ name: v.name, whole: v.whole === true })),
      greatest: read.greatest,
      cost: read.form && read.form.coefficients.map(toDouble),
      constant: read.form ? toDouble(read.form.constant) : 0,
      rows: read.relations.map(rowOf),
    },
  };
}
function rowOf(r: Named): ProgramRow {
  const bound = toDouble(r.bound);
  return {
    id: r.id,
    lower: r.sense === "<=" ? -Infinity : bound,
    upper: r.sense === ">=" ? Infinity : bound,
    ...(r.beside ? { beside: toDouble(r.beside) } : {}),
    entries: r.coefficients.flatMap((a, j) => {
      const v = toDouble(a);
      return v === 0 ? [] : [[j, v] as const];
    }),
  };
}

/** A number as it is written in a constraint: never with an exponent's plus, shortest digits. */
const written = (v: number): string => String(v).replace("e+", "e");
function sumText(entries: readonly (readonly [number, number])[], names: readonly string[]): string {
  return entries
    .map(
      ([j, v], i) =>
        `${v < 0 ? (i === 0 ? "-" : "- ") : i === 0 ? "" : "+ "}` +
        `${Math.abs(v) === 1 ? "" : `${written(Math.abs(v))} `}${names[j]!}`,
    )
    .join(" ");
}
function objectiveText(cost: readonly number[], constant: number, names: readonly string[]): string {
  const used = cost.flatMap((v, j) => (v === 0 ? [] : [[j, v] as const]));
  const rest = constant === 0 ? "" : ` ${constant < 0 ? "-" : "+"} ${written(Math.abs(constant))}`;
  return `${sumText(used, names) || "0"}${rest}`;
}
/** A program from elsewhere as a plan of our own: rows as constraints in words that can be changed. */
export function planOfProgram(program: Program): Plan {
  const names = program.variables.map((v) => v.name);
  return {
    variables: program.variables.map((v) => ({ name: v.name, ...(v.whole ? { whole: true } : {}) })),
    constraints: program.rows.flatMap((r) => {
      const sum = sumText(r.entries, names);
      if (r.entries.length === 0 || (r.lower === -Infinity && r.upper === Infinity)) return [];
      const text =
        r.lower === r.upper
          ? `${sum} = ${written(r.upper)}`
          : r.lower === -Infinity
            ? `${sum} <= ${written(r.upper)}`
            : r.upper === Infinity
              ? `${sum} >= ${written(r.lower)}`
              : `${written(r.lower)} <= ${sum} <= ${written(r.upper)}`;
      return [{ id: r.id, text }];
    }),
    ...(program.cost
      ? {
          objective: {
            text: objectiveText(program.cost, program.constant, names),
            sense: program.greatest ? ("greatest" as const) : ("least" as const),
          },
        }
      : {}),
  };
}

/** Names as files and other programs have them, made into names of ours, each once: `x[1,2]` becomes `x_1_2`. */
export function ownNames(names: readonly string[], reserved: ReadonlySet<string>): string[] {
  const taken = new Set(reserved);
  return names.map((n) => {
    const plain = n
      .normalize("NFC")
      .replace(/[^\p{L}\p{Nd}_]+/gu, "_")
      .replace(/_+$/, "");
    const base = /^\p{L}/u.test(plain) ? plain : `x${plain.startsWith("_") ? "" : "_"}${plain}`;
    let name = base;
    for (let i = 2; taken.has(name); i++) name = `${base}_${i}`;
    taken.add(name);
    return name;
  });
}
