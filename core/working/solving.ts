import { dependsOnVariable, expressionText, parts, subtract, type Expression } from "../formula";
import { canonical, constantSign, tidied } from "../solve";
import {
  NONE,
  answerOf,
  equation,
  shownAs,
  stated,
  type Equation,
  type Follows,
  type Setting,
  type Solved,
  type Statement,
  type WorkingStep,
} from "./statement";
import { rangeSaid, relation } from "./proof";
import { commonFactor } from "./ways/commonFactor";
import { absolute } from "./ways/absolute";
import { linearInConstants, twoExponentials } from "./ways/exponentials";
import { higher } from "./ways/higher";
import { linear } from "./ways/linear";
import { logarithms } from "./ways/logarithms";
import { product, quadratic, quadraticInConstant, standardForm } from "./ways/quadratic";
import { rational } from "./ways/rational";
import { rooted } from "./ways/rooted";
import { substitution } from "./ways/substitution";
import { brokenPower, exchanged, undo } from "./ways/undo";
import { wave } from "./ways/waves";
import type { Move, Way } from "./ways/way";

/** Lines past which working is no longer what a student would write. */
const MAX_LINES = 40;

/** The rules of algebra, in the order in which they are tried. */
const WAYS: readonly Way[] = [
  exchanged,
  linear,
  product,
  (eq, on) => substitution(eq, on, worked),
  undo,
  brokenPower,
  wave,
  standardForm,
  quadratic,
  quadraticInConstant,
  higher,
  commonFactor,
  rational,
  rooted,
  absolute,
  logarithms,
  twoExponentials,
  linearInConstants,
];

/**
 * Works an equation through by the rules of algebra. Each line is proven to hold at the same inputs of the range as the
 * one above, or at more of them (then `isLoose`); a rule whose line is not proven is not used.
 * @returns null where the rules do not lead to the end
 */
export function worked(eq: Equation, on: Setting): Solved | null {
  const steps: WorkingStep[] = [];
  let isLoose = false;
  let now: Equation = eq;
  while (steps.length < MAX_LINES) {
    const answer = answerOf(now);
    if (answer) return { steps, answers: [answer], isLoose };
    if (!dependsOnVariable(now.left) && !dependsOnVariable(now.right)) {
      const never = standing(now, on);
      return never && { steps: [...steps, never], answers: [], isLoose };
    }
    const next = nextLine(now, on);
    if (!next) return null;
    const { move, follows } = next;
    isLoose ||= follows.how === "brings";
    const line = stated(move.rule, move.says, move.to, on.x, move.isKey ?? true);
    steps.push(...(move.notes ?? []), { ...line, follows });
    if (move.to.kind === "none") return { steps, answers: [], isLoose };
    if (move.to.kind === "any") return branched(move.to.of, steps, isLoose, on);
    now = move.to;
  }
  return null;
}

/** Two numbers that are not the same; null where they are, or this is not settled. */
function standing({ left, right }: Equation, on: Setting): WorkingStep | null {
  const sign = constantSign(subtract(left, right));
  if (sign === null || sign === 0) return null;
  return stated("contradiction", "Two numbers that are not the same: it holds nowhere here.", NONE, on.x);
}

/** The first rule that applies and whose line is proven. */
function nextLine(now: Equation, on: Setting): { move: Move; follows: Follows } | null {
  const before = shownAs(now, on.x).text;
  for (const way of WAYS) {
    const found = way(now, on);
    if (!found) continue;
    const move = { ...found, to: shaped(found.to) };
    if (shownAs(move.to, on.x).text === before) continue;
    const { kind } = relation(now, move.to, on);
    const how = kind === "same" && move.mayBring ? "brings" : kind;
    if (how === "same" || how === "brings") return { move, follows: { before, how, on: rangeSaid(on) } };
  }
  return null;
}

/** Numbers on the right are written in their one shape. */
function shaped(s: Statement): Statement {
  if (s.kind === "any") return { ...s, of: s.of.map(shaped) };
  if (s.kind === "none" || s.shown || dependsOnVariable(s.right)) return s;
  return equation(s.left, shapedNumber(s.right));
}

/** Whole squares out of roots, one fraction and so on, where that does not hide how a number was written. */
function shapedNumber(c: Expression): Expression {
  const [plain, short] = [tidied(c), canonical(c)];
  if (holdsWriting(c)) return plain;
  const [a, b] = [plain, short].map((e) => expressionText(e, "").length) as [number, number];
  return b <= Math.max(a, READABLE) ? short : plain;
}
/** A shape of so many signs is read at a glance. */
const READABLE = 24;
const holdsWriting = (e: Expression): boolean =>
  e.kind === "number" ? e.written !== undefined : parts(e).some(holdsWriting);

const ORDER = ["first", "second", "third", "fourth", "fifth"];

/** Each of several equations worked through after the other. */
function branched(list: readonly Statement[], steps: WorkingStep[], isLoose: boolean, on: Setting): Solved | null {
  const answers = [];
  for (const [i, one] of list.entries()) {
    if (one.kind !== "equation") return null;
    const answer = answerOf(one);
    if (answer) {
      answers.push(answer);
      continue;
    }
    const inner = worked(one, on);
    if (!inner) return null;
    steps.push(stated("case", `The ${ORDER[i] ?? "next"} of them.`, one, on.x), ...inner.steps);
    answers.push(...inner.answers);
    isLoose ||= inner.isLoose;
  }
  return { steps, answers, isLoose };
}
