import { differentiate, latexName, wholeNumber, type Expression } from "../../formula";
import { formatCount, formatInput, formatNumber, list } from "../../explain";
import {
  compareSpots,
  findRoots,
  partition,
  polynomialForm,
  tidied,
  type CellPart,
  type PlacePart,
  type Spot,
} from "../../solve";
import {
  equation,
  equationWorking,
  holdsCalls,
  inputShown,
  latexSign,
  polynomialEquation,
  quantityLatex,
  shortSlope,
  sideShown,
  signTable,
  slopeStep,
  toldSign,
  toldSignOf,
  valueSaid,
  written,
  type Equation,
  type Shown,
  type WorkingStep,
} from "../../working";
import type { Asking } from "../common/asking";
import { applied, joined, preludeFor, settingOf, writtenBody } from "../common/working";
import type { BestFinding } from "../finding";
import type { QuestionOf } from "../kind";

type BestAsking = Asking<QuestionOf<"greatest" | "least">>;

/** Cells that are looked at one by one, and places where the slope is 0; more would be no working. */
const [MOST_CELLS, MOST_ZEROS] = [5, 6];

interface Candidate {
  readonly spot: Spot;
  readonly why: string;
}

/**
 * The slope by its rules, its zeros, and a table of all places where a best value can be: ends, kinks and breaks, slope
 * 0. On a range without end the signs of the slope stand for the missing end.
 */
export function working(asking: BestAsking, f: BestFinding | null): WorkingStep[] {
  if (f?.complete && f.status === "everywhere") return flat(asking);
  if (f && (!f.complete || f.status !== "found" || f.repeats)) return [];
  const body = writtenBody(asking);
  const parts = partition([body], asking.table, asking.range);
  const cells = parts.filter((p): p is CellPart => p.kind === "cell" && p.formulas[0] !== null);
  if (cells.length === 0 || cells.length > MOST_CELLS || cells.length + places(parts).length !== parts.length)
    return [];
  const slopes = cells.map((cell) => slopeOf(cell, cells.length, asking));
  if (slopes.includes(null)) return [];
  const found = slopes as { steps: WorkingStep[]; zeros: Spot[] }[];
  const zeros = found.flatMap((s) => s.zeros);
  if (zeros.length > MOST_ZEROS) return [];
  const table = candidateTable(candidatesOf(places(parts), zeros, asking), body, asking);
  if (!table) return [];
  const isBounded = asking.range.from !== null && asking.range.to !== null;
  const beyond = isBounded ? [] : beyondEnds(cells, asking);
  if (!isBounded && beyond.length === 0) return [];
  const shown = joined(applied(asking.name, asking.variable.name), "=", sideShown(body, asking.variable.name));
  const isWritten = !holdsCalls(body);
  const start = preludeFor(
    asking,
    `Where ${asking.name} is ${asking.q.ask}: a place with slope 0, a kink or an end.`,
    shown,
  );
  return [
    ...(isWritten ? start : start.slice(1)),
    ...found.flatMap((s) => s.steps),
    ...table,
    ...beyond,
    ...verdict(f, asking),
  ];
}

/** A function that is the same everywhere. */
function flat(asking: BestAsking): WorkingStep[] {
  const x = asking.variable.name;
  const body = writtenBody(asking);
  if (holdsCalls(body)) return [];
  const shown = joined(applied(asking.name, x), "=", sideShown(tidied(body), x));
  return preludeFor(asking, `It is the same at every ${x}: none is better than another.`, shown);
}

const places = (parts: readonly { readonly kind: string }[]): PlacePart[] =>
  parts.filter((p): p is PlacePart => p.kind === "place");

/** The slope inside one cell, and where it is 0. */
function slopeOf(cell: CellPart, count: number, asking: BestAsking): { steps: WorkingStep[]; zeros: Spot[] } | null {
  const { variable, table, name } = asking;
  const formula = cell.formulas[0]!;
  const on = settingOf(asking, { from: cell.from, to: cell.to });
  const slope = shortSlope(formula);
  const line = slopeStep(formula, name, variable.name);
  if (!line) return null;
  const search = findRoots(slope, table, on.range, on.work);
  if (search.open.length > 0 || search.period || search.everywhere.length > 0) {
    const isFlat = search.open.length === 0 && search.everywhere.length > 0 && search.roots.length === 0;
    return isFlat ? { steps: [where(cell, count, variable.name, line)], zeros: [] } : null;
  }
  const zeros = search.roots.map((r) => r.spot);
  const zero = applied(`${name}'`, variable.name);
  const says = "Inside, a best value has slope 0.";
  const solved = equationWorking([], slopeIsZero(slope, variable.name), on, { says, isChecked: false });
  if (solved.length > 0) return { steps: [where(cell, count, variable.name, line), ...solved], zeros };
  const between = zeros.length === 0 ? "The slope is nowhere 0." : "The sign of the slope between its zeros.";
  const signs = signTable(slope, zero, on, () => between);
  return signs.length > 0 ? { steps: [where(cell, count, variable.name, line), ...signs], zeros } : null;
}

function slopeIsZero(slope: Expression, x: string): Equation {
  const p = polynomialForm(slope);
  return p ? polynomialEquation(p, x) : equation(slope, wholeNumber(0));
}

function where({ from, to }: CellPart, count: number, x: string, line: WorkingStep): WorkingStep {
  if (count === 1) return line;
  const [a, b] = [from, to].map((s) => s && inputShown(s).text);
  const range = a && b ? `From ${a} to ${b}` : a ? `For ${x} above ${a}` : `For ${x} below ${b ?? ""}`;
  return { ...line, says: `${range}: ${line.says.charAt(0).toLowerCase()}${line.says.slice(1)}` };
}

function candidatesOf(spots: readonly PlacePart[], zeros: readonly Spot[], { table }: BestAsking): Candidate[] {
  const fixed = spots.map(({ spot, because }) => ({
    spot,
    why:
      because === "range"
        ? "An end of the range."
        : because === "piece"
          ? "Where one piece ends."
          : "A kink or a break.",
  }));
  const inside = zeros
    .filter((z) => !fixed.some((c) => compareSpots(c.spot, z, table) === 0))
    .map((spot) => ({ spot, why: "Slope 0." }));
  return [...fixed, ...inside].sort((a, b) => a.spot.at - b.spot.at);
}

/** What the function is at each; null where one is not known. */
function candidateTable(list: readonly Candidate[], body: Expression, asking: BestAsking): WorkingStep[] | null {
  const out: WorkingStep[] = [];
  for (const { spot, why } of list) {
    const value = valueSaid(body, spot, asking.table, asking.functions[0]!.unit);
    const at = applied(asking.name, inputShown(spot).text);
    const shown = value?.shown ?? { text: "no value", latex: "\\text{no value}" };
    out.push(
      written(
        "candidate",
        why,
        joined({ ...at, latex: `${latexName(asking.name)}(${inputShown(spot).latex})` }, value?.sign ?? "=", shown),
      ),
    );
  }
  return out;
}

/** On a range without end: the sign of the slope, which tells where it rises and falls for good. */
function beyondEnds(cells: readonly CellPart[], asking: BestAsking): WorkingStep[] {
  const zero = applied(`${asking.name}'`, asking.variable.name);
  return cells.flatMap((cell) => {
    const on = settingOf(asking, { from: cell.from, to: cell.to });
    return signTable(differentiate(cell.formulas[0]!), zero, on, (sign) =>
      sign === 1 ? "Here it rises." : sign === -1 ? "Here it falls." : "Here it stays.",
    );
  });
}

/** The best of these, and the whole inputs beside it. */
function verdict(f: BestFinding | null, asking: BestAsking): WorkingStep[] {
  if (!f || f.value === null || f.solutions.length === 0) return [];
  const { name, variable, functions } = asking;
  const unit = functions[0]!.unit;
  const row = (at: number, value: number): Shown => {
    const [input, said] = [formatInput(at, variable.unit, 8), formatCount(value, unit)];
    const sign = toldSignOf(said, value);
    return {
      text: `${name}(${input}) ${sign} ${said}`,
      latex: `${latexName(name)}(${quantityLatex(input)}) ${latexSign(sign)} ${quantityLatex(said)}`,
    };
  };
  const beside = f.solutions.flatMap((s) => (s.whole ? [s.whole, ...(s.whole.other ? [s.whole.other] : [])] : []));
  const wholes = f.wholeTies ?? beside;
  const isWhole = wholes.length > 0 && f.solutions.some((s) => s.whole && s.whole.at !== s.at);
  const places = f.solutions.map(
    (s) =>
      `${variable.name} ${toldSign(formatNumber(s.at, 8), s.spot.rational)} ${formatInput(s.at, variable.unit, 8)}`,
  );
  const best = row(f.solutions[0]!.at, f.value);
  const steps = isWhole
    ? wholes.map((w) => written("whole neighbours", "The whole inputs beside it.", row(w.at, w.value)))
    : [];
  return [written("best", `The ${asking.q.ask} of these, at ${list(places)}.`, best), ...steps];
}
