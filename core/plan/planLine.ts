import type { Names } from "../formula";
import type { Plan } from "../model";
import { parseUnit } from "../units";
import { readConstraint, readForm } from "./linear";

const WORDS = /\p{L}[\p{L}\p{Nd}_]*/gu;
export const wordsOf = (text: string): string[] => [...new Set(text.match(WORDS) ?? [])];

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

/** Reads `greatest 3.5x + 4y in $`, or a constraint with words behind a colon before it: `paper: 2x + 3y <= 240`. */
export function readPlanLine(text: string, plan: Pick<Plan, "variables"> | null, names: Names): PlanLineRead {
  const own = plan?.variables.map((v) => v.name) ?? [];
  const freshIn = (body: string) =>
    wordsOf(body).filter((w) => !own.includes(w) && !names.givens.has(w) && w !== "e" && w !== "pi");
  const goal = /^(?:make\s+)?(greatest|least)\s+(.+)$/i.exec(text.trim());
  if (goal) return readGoal(goal[1]!.toLowerCase() as "greatest" | "least", goal[2]!, own, freshIn, names);
  const labelled = /^([^:<>=≤≥]+):\s*(.+)$/.exec(text.trim());
  const body = labelled ? labelled[2]! : text.trim();
  const fresh = freshIn(body);
  const read = readConstraint(body, [...own, ...fresh], names);
  return read.ok
    ? { ok: true, line: { kind: "constraint", text: body, label: labelled?.[1]!.trim(), fresh } }
    : { ok: false, message: read.problem.message };
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
