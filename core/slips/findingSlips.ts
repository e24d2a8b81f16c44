import { formatInput, formatNumber, formatQuantity, inputNoun, isCounted } from "../explain";
import type { Model, ModelVariable, Question } from "../model";
import { isStopped, roomOf, setAsideOf, solutionsOf, valueOf, type AnyAnswer, type Finding } from "../question";
import type { Slip } from "./slip";

/**
 * Mistakes that an answer shows: a range that cuts it off, things that are counted in parts, a line followed far beyond
 * its readings.
 */
export function findingSlips(f: Finding, model: Model): Slip[] {
  if (isStopped(f)) return [];
  const variable = model.variables.get(f.about.variable);
  const q = model.source.questions?.find((r) => r.id === f.id);
  if (!variable || !q) return [];
  return [cutOff(f, q, variable), inParts(f, variable), beyondReadings(f, variable, model)].flatMap((slip) =>
    slip ? [{ key: `question:${f.id}`, ...slip }] : [],
  );
}
type Found = Omit<Slip, "key"> | null;

/** There is no answer on the range, but one beside it. */
function cutOff(f: AnyAnswer, q: Question, variable: ModelVariable): Found {
  const aside = setAsideOf(f);
  if (solutionsOf(f).length > 0 || aside.length === 0) return null;
  const cut = [...aside].sort((a, b) => distance(a.at, f) - distance(b.at, f))[0]!;
  const at = formatInput(cut.at, variable.unit);
  if (q.from !== undefined || q.to !== undefined)
    return {
      message: `The range asked for cuts an answer off: there is one at ${at}.`,
      mend: { says: `Ask on the whole range of ${variable.name}`, change: { kind: "clearRange", id: f.id } },
    };
  const value = roundOut(cut.at, cut.below);
  const wide = formatInput(value, variable.unit);
  const end = cut.below ? "from" : "to";
  return {
    message: `The range of ${variable.name} cuts an answer off: there is one at ${at}.`,
    mend: {
      says: cut.below ? `Start the range at ${wide}` : `Widen the range to ${wide}`,
      change: { kind: "moveEnd", name: variable.name, end, value },
    },
  };
}

/** 17.4 lanterns. */
function inParts(f: AnyAnswer, variable: ModelVariable): Found {
  const [first] = solutionsOf(f);
  if (variable.whole || !isCounted(variable.unit) || !first || Number.isInteger(first.at)) return null;
  if (!roomOf(f).countsInputs) return null;
  const noun = inputNoun(variable.name, variable.unit);
  return {
    message: `${formatNumber(first.at, 5)} ${noun} is no whole number, and ${noun} are counted.`,
    mend: {
      says: `Count ${variable.name} in whole ${noun}`,
      change: { kind: "setWhole", name: variable.name, whole: true },
    },
  };
}

/** A line says nothing of what comes after its readings. */
function beyondReadings(f: AnyAnswer, variable: ModelVariable, model: Model): Found {
  const at = roomOf(f).asksAt(f);
  const by = model.source.functions?.find((r) => r.name === f.about.functions[0])?.by;
  if (at === null || valueOf(f) === null || by?.kind !== "line") return null;
  const inputs = by.through
    .map(([x]) => Number(x))
    .filter(Number.isFinite)
    .sort((a, b) => a - b);
  const [low, high] = [inputs[0], inputs.at(-1)];
  if (low === undefined || high === undefined || (at >= low && at <= high)) return null;
  const near = at < low ? low : high;
  const far = formatQuantity(Math.abs(at - near), variable.unit);
  return {
    message:
      `${variable.name} = ${formatNumber(at)} lies ${far} beyond the readings (${formatNumber(low)} to ` +
      `${formatNumber(high)}): nothing shows that the line goes on there.`,
    mend: { says: `Ask at the last reading, ${formatNumber(near)}`, change: { kind: "askAt", id: f.id, at: near } },
  };
}

const distance = (at: number, { about }: AnyAnswer): number =>
  Math.min(...[about.from, about.to].filter((x): x is number => x !== null).map((x) => Math.abs(at - x)));

/** The next round number outward: two leading digits. */
function roundOut(x: number, below: boolean): number {
  const power = 10 ** Math.max(Math.floor(Math.log10(Math.abs(x) || 1)) - 1, -6);
  return Number(((below ? Math.floor(x / power) : Math.ceil(x / power)) * power).toPrecision(12));
}
