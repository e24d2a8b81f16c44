import { Exhausted, within } from "../numeric";
import { dependsOnVariable, differentiate, same, subtract, type Expression } from "../formula";
import { areMultiples, isExactlyZero, isIdenticallyZero, tidied, type Spot } from "../solve";
import { Refusal, type Answers } from "../question";
import {
  between,
  hasValueEverywhere,
  newSetting,
  relation,
  solutionsOf,
  type Equation,
  type Setting,
  type Statement,
} from "../working";
import type { Model, Question } from "../model";
import { compareRegions, type Region } from "./inequality";
import { constants, roundedAs, sameNumbers, told } from "./numbers";
import { readOwnLine, type OwnLine } from "./ownLine";
import type { Reading } from "./side";
import { FOLLOWS, say, type Judged, type Said } from "./said";
import { counterexample, sidesAt, type Sides } from "./sides";
import { slipBetween, slipInSlope } from "./slips";
import { startOf, type Start } from "./start";

/** Work that all lines of one working are given. */
const EFFORT = 2_000_000;

/**
 * Judges each line of a student's working against the one above, the first against the question: follows, loses a
 * solution, brings one in, is wrong, or is not settled. Nothing is said of style.
 */
export function judged(q: Question, lines: readonly string[], model: Model, answers: Answers): Judged[] {
  try {
    return within(EFFORT, () => new Judge(startOf(q, model, answers), model).all(lines));
  } catch (failure) {
    const cut = failure instanceof Exhausted ? "it takes more work than one working is given" : "it was not foreseen";
    const says = failure instanceof Refusal ? failure.message : `Not settled: ${cut}.`;
    return lines.map((text) => ({
      text,
      verdict: text.trim() === "" ? "blank" : "open",
      says,
      slip: null,
      latex: null,
    }));
  }
}

const WHERE_DEFINED = say("follows", "Follows, wherever both have a value.");
const NOT_SETTLED = "Not settled: it was neither shown to follow nor to be wrong.";

class Judge {
  private above: Statement | null;
  private expression: Expression | null = null;
  private lastWas: OwnLine["kind"] = "blank";
  private aboveRegion: Region | null;
  private readonly on: Setting;
  private readonly reading: Reading;

  constructor(
    private readonly start: Start,
    model: Model,
  ) {
    this.on = start.on;
    this.above = start.statement;
    this.aboveRegion = start.region;
    this.reading = { x: start.on.x, model, isGiven: start.isGiven, own: new Map() };
  }

  all(lines: readonly string[]): Judged[] {
    return lines.map((text) => {
      const line = readOwnLine(text, this.reading);
      return { text, latex: "latex" in line ? line.latex : null, ...this.one(line) };
    });
  }

  private one(line: OwnLine): Said {
    const said = this.judge(line);
    if (line.kind !== "blank") this.lastWas = line.kind;
    return said;
  }
  private judge(line: OwnLine): Said {
    switch (line.kind) {
      case "blank":
        return say("blank", "");
      case "refused":
        return say("unread", line.message);
      case "expression":
        return this.simplified(line.expression, line.isGoingOn || this.lastWas === "expression");
      case "named":
        return this.named(line.name, line.numbers);
      case "region":
        return this.region(line.region);
      case "statement":
        return this.stated(line);
    }
  }

  /** Inputs for which relations hold, set against those of the line above. */
  private region(region: Region): Said {
    const above = this.aboveRegion;
    if (!this.start.region) return say("unread", "The question asks for no inequality; equations are judged here.");
    this.aboveRegion = region;
    const found = compareRegions(above!, region, this.on);
    if (found.kind === "same") return FOLLOWS;
    if (found.kind !== "apart") return say("open", NOT_SETTLED);
    const where = found.inFirst
      ? "belongs to the line above, and not to this one"
      : "belongs to this line, and not to the one above";
    const turned = compareRegions(above!, turnedRound(region), this.on).kind === "same";
    const slip = turned ? "Multiplying or dividing by a negative number turns the sign round." : null;
    return say("wrong", `${told([found.at], this.on.x)} ${where}.`, slip);
  }

  /** A name of one's own for a number: it says nothing of the unknown. */
  private named(name: string, numbers: readonly Expression[]): Said {
    const taken = `${name} is taken as a name of your own; it says nothing of ${this.on.x}.`;
    if (numbers.length === 1) return say("open", taken);
    const said = sameNumbers(numbers);
    return said === FOLLOWS ? say("follows", `The numbers are right. ${taken}`) : said;
  }

  /** An expression, set against the one above it. */
  private simplified(e: Expression, isGoingOn: boolean): Said {
    const before = isGoingOn ? this.expression : null;
    this.expression = e;
    return before ? sameExpression(before, e, this.on) : say("follows", "Taken as the start.");
  }

  private stated(line: OwnLine & { kind: "statement" }): Said {
    const { statement } = line;
    const chained = line.equal.map(([a, b]) => this.sameSides(a, b)).find((said) => said.verdict !== "follows");
    if (chained) return chained;
    const eq = statement.kind === "equation" ? statement : null;
    if (eq) this.expression = eq.right;
    if (eq && isSame(eq.left, eq.right))
      return dependsOnVariable(eq.left) || dependsOnVariable(eq.right) ? this.identity(eq) : FOLLOWS;
    if (eq && !dependsOnVariable(eq.left) && !dependsOnVariable(eq.right)) return constants(eq);
    const named = eq && line.isNamed && dependsOnVariable(eq.right) ? this.namedWrong(eq) : null;
    if (named) return named;
    if (!this.above) {
      this.above = statement;
      return say("follows", "Taken as the start.");
    }
    const said = this.against(this.above, line);
    // Rounded answers stand for those above, which stay what later lines are judged by.
    const isRounded = said.verdict === "follows" && said !== FOLLOWS && line.rounded !== null;
    if (!isRounded) this.above = statement;
    return said;
  }

  /** Both sides are one wherever both have a value; everywhere only if nothing in them has none. */
  private identity({ left, right }: Equation): Said {
    const isEverywhere = hasValueEverywhere(left) && hasValueEverywhere(right);
    return say("follows", isEverywhere ? `True for every ${this.on.x}.` : "True wherever both sides have a value.");
  }
  private sameSides(a: Expression, b: Expression): Said {
    return dependsOnVariable(a) || dependsOnVariable(b)
      ? sameExpression(a, b, this.on)
      : constants({ kind: "equation", left: a, right: b });
  }

  /**
   * `P'(q) = …`, which is not so: where, and the likely slip. Null where it is the question itself: R(q) = C(q), with
   * what C is.
   */
  private namedWrong(eq: Equation): Said | null {
    if (isQuestion(eq, this.start.statement)) return null;
    const at = counterexample(eq, this.on);
    if (!at) return null;
    const { body } = this.start;
    const isSlope = body !== null && same(tidied(differentiate(body)), tidied(eq.left));
    this.above = this.continued(eq, isSlope);
    const slip = isSlope ? slipInSlope(body, eq.right) : slipBetween({ ...eq, right: eq.left }, eq, this.on.x);
    return say("wrong", unlike(at, this.on.x), slip);
  }

  /** What the next line is judged by, after a function was written wrongly: the question with that in its place. */
  private continued(eq: Equation, isSlope: boolean): Statement | null {
    const { statement, body } = this.start;
    if (statement?.kind !== "equation") return this.above;
    if (isSlope) return { kind: "equation", left: eq.right, right: statement.right };
    const isBody = body !== null && isSame(body, eq.left);
    return isBody ? { kind: "equation", left: eq.right, right: statement.right } : this.above;
  }

  private against(above: Statement, line: OwnLine & { kind: "statement" }): Said {
    const { statement } = line;
    const found = relation(above, statement, this.on);
    if (found.kind === "same") return this.evenOutside(above, statement) ?? FOLLOWS;
    const isNew = found.kind === "brings" && solutionsOf(above, this.on).spots.length === 0;
    const outside = isNew ? this.evenOutside(above, statement) : null;
    if (outside) return outside;
    const near = line.rounded && roundedAs(line.rounded, solutionsOf(above, this.on), this.on.x);
    if (near) return near;
    if (found.kind === "open") return say("open", NOT_SETTLED);
    const slip = this.slip(above, statement);
    const lost = told(found.lost, this.on.x);
    const brought = told(found.brought, this.on.x);
    if (found.kind === "brings")
      return say("brings", `Brings in ${brought}, which the line above does not have.`, slip);
    if (found.kind === "loses" && this.isRightlyLost(found.lost))
      return say("follows", `Follows: ${lost} is left out, and does not answer the question.`);
    if (found.kind === "loses" && isPart(statement, above, this.on))
      return say("loses", `Loses ${lost}.`, slip ?? lostSlip(above, statement, found.lost, this.on));
    const at = found.lost[0]!;
    const sides = statement.kind === "equation" ? sidesAt(statement, at, this.on) : null;
    const shown = sides ? ` There the left side of this line is ${sides.left}, the right ${sides.right}.` : "";
    return say("wrong", `${told([at], this.on.x)} holds above, and not here.${shown}`, slip);
  }

  /** Whether what is left out was brought in on the way: the question itself does not hold there. */
  private isRightlyLost(lost: readonly Spot[]): boolean {
    if (!this.start.statement) return false;
    const asked = solutionsOf(this.start.statement, this.on);
    const here = { spots: lost, stretches: [], isWhole: true };
    return asked.isWhole && between(here, asked, this.on.table).lost.length === lost.length;
  }

  /**
   * Two lines without any answer on the range say the same of it; whether one follows from the other is then seen on
   * all inputs.
   */
  private evenOutside(above: Statement, line: Statement): Said | null {
    const here = solutionsOf(above, this.on);
    if (here.spots.length > 0 || here.stretches.length > 0 || line.kind === "none") return null;
    const everywhere = newSetting(this.on.x, { from: null, to: null }, this.on.table);
    const found = relation(above, line, everywhere);
    if (found.kind === "same" || found.kind === "open" || found.kind === "brings") return null;
    const [at] = [...found.lost, ...found.brought];
    const where = found.lost.length > 0 ? "holds above, and not here" : "holds here, and not above";
    return say("wrong", `${told([at!], this.on.x)}, outside the range, ${where}.`, this.slip(above, line));
  }

  private slip(above: Statement, line: Statement): string | null {
    if (above.kind !== "equation" || line.kind !== "equation") return null;
    return slipBetween(above, line, this.on.x);
  }
}

const TURNED = { "<": ">", "<=": ">=", ">": "<", ">=": "<=" } as const;
const turnedRound = (r: Region): Region =>
  r.kind === "relation" ? { ...r, sign: TURNED[r.sign] } : { ...r, of: r.of.map(turnedRound) };

function isQuestion(eq: Equation, asked: Statement | null): boolean {
  if (asked?.kind !== "equation") return false;
  const is = (a: Expression, b: Expression) => isSame(eq.left, a) && isSame(eq.right, b);
  return is(asked.left, asked.right) || is(asked.right, asked.left);
}

/** Whether what is left of the answers is all that the line says. */
function isPart(line: Statement, above: Statement, on: Setting): boolean {
  const [a, b] = [solutionsOf(line, on), solutionsOf(above, on)];
  return a.spots.length > 0 && between(a, b, on.table).kind !== "other";
}

/** Why an answer was lost: a square root with one sign, or both sides divided by what is 0 there. */
function lostSlip(above: Statement, line: Statement, lost: readonly Spot[], on: Setting): string | null {
  if (above.kind !== "equation") return null;
  const isPower = above.left.kind === "power" && !dependsOnVariable(above.right);
  if (isPower) return "A square root has two signs: what is squared may be negative as well.";
  const [at] = lost;
  const isDivided = at !== undefined && (dependsOnVariable(above.right) || at.at === 0);
  const sides = isDivided && line.kind === "equation" ? sidesAt(above, at, on) : null;
  if (sides?.left === "0" && sides.right === "0")
    return `Both sides were divided by something that is 0 at ${told(lost, on.x)}; that answer has to be kept.`;
  return null;
}

const isSame = (a: Expression, b: Expression): boolean =>
  isIdenticallyZero(tidied(subtract(a, b))) ||
  (!dependsOnVariable(a) && !dependsOnVariable(b) && isExactlyZero(subtract(a, b)));

function sameExpression(before: Expression, after: Expression, on: Setting): Said {
  if (isSame(before, after)) return hasValueEverywhere(before) && hasValueEverywhere(after) ? FOLLOWS : WHERE_DEFINED;
  const eq: Equation = { kind: "equation", left: before, right: after };
  const at = counterexample(eq, on);
  if (!at) return say("open", "Not settled: it was neither shown to be the same nor to differ.");
  const isMultiple = areMultiples(before, after);
  const slip = isMultiple
    ? "It is a multiple of the line above; without an equation nothing may be divided away."
    : null;
  return say("wrong", unlike(at, on.x), slip ?? slipBetween({ ...eq, right: before }, { ...eq, left: before }, on.x));
}

const unlike = (s: Sides, x: string): string => `At ${x} = ${s.at} the left side is ${s.left}, the right ${s.right}.`;
