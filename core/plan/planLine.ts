import type { Names } from "../formula";
import type { Plan } from "../model";
import { isZero, signOf } from "../numeric";
import { parseUnit } from "../units";
import { readConstraint, readForm } from "./linear";
import { withSigns } from "./limitWords";
import { NO_SUM, differsWanted, unitMeant, wholeWanted } from "./planWords";

const WORDS = /\p{L}[\p{L}\p{Nd}_]*/gu;
/** `1e3` is a number, and e3 no name in it. */
const POWER_OF_TEN = /(?<=\d)e[+−-]?\d+(?![\p{L}\p{Nd}_])/giu;
export const wordsOf = (text: string): string[] => [...new Set(text.replace(POWER_OF_TEN, "").match(WORDS) ?? [])];

/** What a line of a plan adds; `fresh` are names that become variables. */
export type PlanLine =
  | {
      readonly kind: "objective";
      readonly sense: "greatest" | "least";
      readonly text: string;
      readonly unit: string | null;
      readonly fresh: readonly string[];
    }
  | {
      readonly kind: "constraint";
      readonly text: string;
      readonly label: string | undefined;
      readonly fresh: readonly string[];
    };
export type PlanLineRead =
  { readonly ok: true; readonly line: PlanLine } | { readonly ok: false; readonly message: string };

const GOAL = /^(?:make\s+)?(greatest|least|max(?:imi[sz]e|imum)?|min(?:imi[sz]e|imum)?)\b\s*:?\s*(.+)$/i;
/** Words that only lead to a constraint. */
const LEAD = /^(?:subject\s+to|s\.?\s?t\.|such\s+that)\s*:?\s*/i;
/** `Z = 6x + 4y`: a goal with a name, as books write it; a variable has a small letter. */
const NAMED_GOAL = /^(\p{Lu}|\p{L}{2,})\s*=\s*([^=<>≤≥]*\p{L}[^=<>≤≥]*)$/u;

/**
 * Reads `greatest 3.5x + 4y in $` (also `maximize …`, `Z = 6x + 4y`), or a constraint, with a label before a colon:
 * `paper: 2x + 3y <= 240`.
 */
export function readPlanLine(text: string, plan: Pick<Plan, "variables"> | null, names: Names): PlanLineRead {
  const own = plan?.variables.map((v) => v.name) ?? [];
  const freshIn = (body: string) =>
    wordsOf(body).filter((w) => !own.includes(w) && !names.givens.has(w) && w !== "e" && w !== "pi");
  const isNew = (name: string) => !own.includes(name) && !names.givens.has(name);
  const found = GOAL.exec(text.trim());
  // `maximum: x <= 5` is a constraint with a label.
  const goal = found && !/[<>≤≥]/.test(found[2]!) ? found : null;
  if (goal) {
    const named = NAMED_GOAL.exec(goal[2]!.trim());
    const sense = /^(?:greatest|max)/i.test(goal[1]!) ? "greatest" : "least";
    return readGoal(sense, named && isNew(named[1]!) ? named[2]! : goal[2]!, own, freshIn, names);
  }
  const line = text.trim().replace(LEAD, "");
  const named = NAMED_GOAL.exec(line);
  if (named && isNew(named[1]!)) return readGoal("greatest", named[2]!, own, freshIn, names);
  const labelled = /^([^:<>=≤≥]+):\s*(.+)$/.exec(line);
  const body = withSigns(labelled ? labelled[2]! : line);
  const fresh = freshIn(body);
  const trouble = differsWanted(body) ?? wholeWanted(body) ?? unitMeant(body, fresh, own);
  if (trouble) return { ok: false, message: trouble };
  const read = readConstraint(body, [...own, ...fresh], names);
  return read.ok
    ? { ok: true, line: { kind: "constraint", text: body, label: labelled?.[1]!.trim(), fresh } }
    : { ok: false, message: read.problem.message };
}

/**
 * Reads lines up to the first that cannot be read, the names that are new to one known to the next.
 *
 * @returns what was read, how many, and what is wrong with the one after them
 */
export function readPlanLines(
  texts: readonly string[],
  plan: Pick<Plan, "variables"> | null,
  names: Names,
): { readonly lines: readonly PlanLine[]; readonly problem: string | null } {
  const variables = [...(plan?.variables ?? [])];
  const lines: PlanLine[] = [];
  for (const text of texts) {
    const read = readPlanLine(text, { variables }, names);
    if (!read.ok) return { lines, problem: read.message };
    variables.push(...read.line.fresh.map((name) => ({ name })));
    lines.push(read.line);
  }
  return { lines, problem: null };
}

function readGoal(
  sense: "greatest" | "least",
  body: string,
  own: readonly string[],
  freshIn: (body: string) => string[],
  names: Names,
): PlanLineRead {
  const [tail, written] = /\s+in\s+(\S+)$/.exec(body) ?? [];
  const unit = written && parseUnit(written).unit ? written : null;
  const text = (unit ? body.slice(0, -tail!.length) : body).trim();
  const fresh = freshIn(text);
  // `max profit` names what is wanted, and not what it is made of.
  if (/^\p{L}{3,}(?:\s+\p{L}+)*$/u.test(text) && fresh.length > 0) return { ok: false, message: NO_SUM };
  const read = readForm(text, [...own, ...fresh], names);
  return read.ok
    ? { ok: true, line: { kind: "objective", sense, text, unit, fresh } }
    : { ok: false, message: read.problem.message };
}

/** The place of the constraint in force that lets a variable be 0 to 1 only; −1 where there is none. */
export const yesOrNo = (plan: Plan, name: string): number =>
  plan.constraints.findIndex(
    (c) => !c.off && new RegExp(`^\\s*0\\s*(?:<=|≤)\\s*${name}\\s*(?:<=|≤)\\s*1\\s*$`, "u").test(c.text),
  );

/** Variables of a plan that no constraint in force keeps from going below 0 by itself. */
export function belowZero(plan: Plan, names: Names): string[] {
  const own = plan.variables.map((v) => v.name);
  const kept = new Set<string>();
  for (const c of plan.constraints) {
    const read = c.off ? null : readConstraint(c.text, own, names);
    for (const { coefficients, sense, bound } of read?.ok ? read.relations : []) {
      const [only, ...others] = own.filter((_, j) => !isZero(coefficients[j]!));
      if (only === undefined || others.length > 0) continue;
      const factor = coefficients[own.indexOf(only)]!;
      const isFloor = sense === "=" || (sense === ">=") === signOf(factor) > 0;
      if (isFloor && signOf(bound) * signOf(factor) >= 0) kept.add(only);
    }
  }
  return own.filter((name) => !kept.has(name));
}
