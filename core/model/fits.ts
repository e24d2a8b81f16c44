import { keep } from "../numeric";
import { expressionLatex, nearName, quoted, type Expression, type Names } from "../formula";
import { constantOf, familyExpression, familyText, fitModel, plain, type Family, type Fit, type NoFit } from "../fit";
import { rebuild } from "../formula";
import type { DataTable } from "./case";
import type { DataRows, FitBy } from "./fitRows";

/** A function fitted to a table of data, as the model keeps it. */
export interface ModelFit {
  readonly by: FitBy;
  readonly fit: Fit;
  /** rows left out: without a number, outside the rows asked for, or set aside by the person */
  readonly skipped: number;
  /** least and greatest input of the rows used */
  readonly from: number;
  readonly to: number;
}

/** Where the reference of a fit goes wrong, with the key at fault. */
export interface LostReference {
  readonly key: "data" | "x" | "y";
  readonly message: string;
}

export function dataOf(by: Pick<FitBy, "data" | "x" | "y">, tables: readonly DataTable[]): DataTable | LostReference {
  const table = tables.find((t) => t.name === by.data);
  const hint = (name: string, known: readonly string[]) => {
    const near = nearName(name, known);
    return near
      ? ` Did you mean ${quoted(near)}?`
      : known.length > 0
        ? ` There ${known.length === 1 ? "is" : "are"} ${known.map(quoted).join(", ")}.`
        : " There are none.";
  };
  if (!table)
    return {
      key: "data",
      message: `There is no data named ${quoted(by.data)}.${hint(
        by.data,
        tables.map((t) => t.name),
      )}`,
    };
  for (const key of ["x", "y"] as const)
    if (!table.columns.some((c) => c.name === by[key]))
      return {
        key,
        message: `${quoted(by.data)} has no column ${quoted(by[key])}.${hint(
          by[key],
          table.columns.map((c) => c.name),
        )}`,
      };
  return table;
}

/** The same rows are fitted again for every keystroke elsewhere; the last fits are kept. */
const MOST_KEPT = 60;
const kept = new Map<string, Fit | NoFit>();

/**
 * Fits as the function says.
 * @param names  `variable` is the function's own; the constants of a formula of one's own are the names nothing else
 * has
 */
export function fitRows(by: FitBy, rows: DataRows, names: Names): Fit | NoFit {
  const own =
    by.model === "own"
      ? {
          text: by.text ?? "",
          start: by.start ?? {},
          givens: [...names.givens].map(([n, g]) => [n, g.value]),
          variable: names.variable,
        }
      : null;
  const key =
    `${by.model} ${by.method ?? "direct"} ${own ? JSON.stringify(own) : ""}\n` +
    `${rows.x.join(" ")}\n${rows.y.join(" ")}`;
  const known = kept.get(key);
  if (known) return known;
  const made =
    by.model === "own"
      ? fitModel(rows.x, rows.y, { text: by.text ?? "", names, start: by.start })
      : fitModel(rows.x, rows.y, { family: by.model, method: by.method });
  return keep(kept, MOST_KEPT, key, made);
}

/** The fitted function with all digits, as an expression, as text, and typeset with six digits. */
export function fittedForm(by: FitBy, fit: Fit, x: string): { expression: Expression; text: string; latex: string } {
  const p = fit.constants.map((c) => c.value);
  if (by.model !== "own") {
    const short = p.map((v) => Number(v.toPrecision(6)));
    return {
      expression: familyExpression(by.model, p),
      text: familyText(by.model, p, x),
      latex: expressionLatex(familyExpression(by.model as Family, short), x),
    };
  }
  const { expression, unknowns } = fit.own!;
  const filled = (digits: number) => {
    const go = (e: Expression): Expression => {
      const k = unknowns.indexOf(e);
      return k >= 0
        ? constantOf(digits >= 17 ? p[k]! : Number(p[k]!.toPrecision(digits)))
        : e.kind === "number" || e.kind === "variable"
          ? e
          : rebuild(e, go);
    };
    return go(expression);
  };
  const values = new Map(fit.constants.map((c) => [c.name, c.value]));
  const text = (by.text ?? "").replace(/\p{L}[\p{L}\p{Nd}_]*/gu, (word) => {
    const v = values.get(word);
    return v === undefined ? word : v < 0 ? `(${plain(v, 17)})` : `${plain(v, 17)}`;
  });
  return { expression: filled(17), text, latex: expressionLatex(filled(6), x) };
}
