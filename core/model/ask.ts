import type { ModelFit } from "./fits";
import { ratio, rationalOfDouble, rationalText, signOf, toDouble, ZERO, type Rational } from "../numeric";
import { EMPTY, containsZero, type Enclosure } from "../interval";
import {
  VARIABLE,
  call,
  compileNumber,
  decimalText,
  dependsOnVariable,
  exactNumber,
  multiply,
  nearName,
  quoted,
  rebuild,
  substitute,
  subtract,
  type Expression,
  type NumberFunction,
} from "../formula";
import {
  encloseAt,
  exactRational,
  findBest,
  findRoots,
  formOf,
  inline,
  integrate,
  leastOf,
  polynomialForm,
  smoothParts,
  whereRelation,
  type Root,
  type RootSearch,
  type FunctionTable,
} from "../solve";
import { UNKNOWN_GIVEN, buildModel, readAmount, type Model, type ModelFunction, type ModelVariable } from "./build";
import { functionsOf, type Amount, type Question } from "./case";
import { readingOf } from "./dates";
import type { About, Behaviour, Finding, FindingStretch, SecondWay, SetAside, Solution, WholeReading } from "./finding";
import { bisectionNear, differenceQuotient, gaussSum, goldenSection, plainEvaluation } from "./secondWay";
import { bestWhole, valueAtWhole, wholeNeighbours } from "./whole";

/** Why a question cannot be answered, in a plain sentence. */
class Refusal extends Error {}

/** Set-aside answers on one side that are told one by one. */
const MOST_SET_ASIDE = 100;
/** Looking outside the range is a courtesy, and gets less work than the range itself. */
const SET_ASIDE_BOXES = 2000;

/** Findings already made, for questions that use an earlier answer. */
export type Answers = (id: string) => Finding | null;

/** Answers one question. Never throws for what a case may hold: what cannot be answered is a finding with status `error` and a message. */
export function answer(question: Question, model: Model, answers: Answers): Finding {
  try {
    return new Asker(question, model, answers).answer();
  } catch (failure) {
    if (!(failure instanceof Refusal)) throw failure;
    return { ...blank(question), status: "error", message: failure.message };
  }
}

const NOBODY: About = {
  functions: [],
  variable: "",
  from: null,
  to: null,
  level: null,
  at: null,
  between: null,
  round: null,
  given: null,
  beyond: null,
};

function blank(q: Question): Finding {
  return {
    id: q.id,
    ask: q.ask,
    status: "found",
    complete: false,
    solutions: [],
    wholeTies: null,
    setAside: [],
    stretches: [],
    searched: null,
    value: null,
    exactValue: null,
    secondWay: null,
    behaviour: null,
    gap: null,
    jumps: [],
    estimate: null,
    message: null,
    about: { ...NOBODY, functions: functionsOf(q), given: q.ask === "given" ? q.given : null },
  };
}

class Asker {
  private readonly functions: readonly ModelFunction[];
  private readonly variable: ModelVariable;
  private readonly from: Rational | null;
  private readonly to: Rational | null;
  private readonly narrowed: boolean;
  private readonly irrationalEnds: readonly Expression[];

  constructor(
    private readonly q: Question,
    private readonly model: Model,
    private readonly answers: Answers,
  ) {
    const names = functionsOf(q);
    if (names.length === 0) throw new Refusal("This question names no function yet.");
    this.functions = names.map((name) => this.requireFunction(name));
    const of = this.functions[0]!.of;
    const other = this.functions.find((f) => f.of !== of);
    if (other)
      throw new Refusal(
        `${this.functions[0]!.name} is a function of ${of}, but ${other.name} is of ${other.of}; only functions of one variable can be set against each other.`,
      );
    this.variable = model.variables.get(of)!;
    const from = q.from === undefined ? null : this.quantity(q.from, "the start of the range");
    const to = q.to === undefined ? null : this.quantity(q.to, "the end of the range");
    this.narrowed = from !== null || to !== null;
    this.from = from?.exact ?? this.variable.from;
    this.to = to?.exact ?? this.variable.to;
    this.irrationalEnds = this.narrowed
      ? [from?.irrational, to?.irrational].filter((e): e is Expression => e !== null && e !== undefined)
      : this.variable.irrationalEnds;
    if (this.from && this.to && this.from.compare(this.to) > 0)
      throw new Refusal(`The range asked for starts at ${show(this.from)}, after its end ${show(this.to)}.`);
  }

  answer(): Finding {
    const q = this.q;
    switch (q.ask) {
      case "meet":
        return this.meet(q);
      case "reach":
        return this.reach(q);
      case "multiply":
        return this.multiply(q);
      case "where":
        return this.where(q);
      case "greatest":
      case "least":
        return this.best(q.ask === "greatest" ? 1 : -1);
      case "value":
        return this.valueOf(q);
      case "rate":
        return this.rate(q);
      case "total":
      case "average":
        return this.total(q);
      case "compare":
        return this.compare();
      case "given":
        return this.given(q);
    }
  }

  // ---- names and numbers ----------------------------------------------------------------------------------

  private requireFunction(name: string): ModelFunction {
    const f = this.model.functions.get(name);
    if (!f) {
      const near = nearName(name, [...this.model.functions.keys()]);
      throw new Refusal(`${quoted(name)} is no function of this case.${near ? ` Did you mean ${quoted(near)}?` : ""}`);
    }
    if (f.trouble) throw new Refusal(f.trouble);
    return f;
  }

  private amount(a: Amount, what: string): Rational {
    return this.quantity(a, what).exact;
  }

  /** A number of the question: its fraction (or the nearest double), and the number itself where it is no fraction. */
  private quantity(a: Amount, what: string): { exact: Rational; irrational: Expression | null } {
    if (typeof a === "object") return { exact: this.earlier(a, what), irrational: null };
    const read = readAmount(a, this.model.names);
    if (!read.ok) throw new Refusal(`For ${what}: ${read.problem.message}`);
    return read;
  }

  private earlier(a: { of: string; pick?: "first" | "last" | "whole" | undefined }, what: string): Rational {
    const finding = this.answers(a.of);
    if (!finding)
      throw new Refusal(
        `For ${what} the answer of ${quoted(a.of)} is wanted, but there is no such question before this one.`,
      );
    const s = a.pick === "last" ? finding.solutions[finding.solutions.length - 1] : finding.solutions[0];
    if (a.pick === "whole") {
      const whole = s?.whole ?? finding.wholeTies?.[0];
      if (!whole) throw new Refusal(`For ${what} the whole answer of ${quoted(a.of)} is wanted, but it has none.`);
      return rationalOfDouble(whole.at);
    }
    if (!s) throw new Refusal(`For ${what} the answer of ${quoted(a.of)} is wanted, but it has none.`);
    return exactOf(s) ?? rationalOfDouble(s.at);
  }

  private about(extra: Partial<About> = {}): About {
    return {
      ...NOBODY,
      functions: this.functions.map((f) => f.name),
      variable: this.variable.name,
      round: this.q.round ?? null,
      from: this.from && toDouble(this.from),
      to: this.to && toDouble(this.to),
      ...extra,
    };
  }
  private finding(parts: Partial<Finding>): Finding {
    return { ...blank(this.q), about: this.about(), ...parts };
  }

  private get table(): FunctionTable {
    return this.model.table;
  }
  private body(i = 0): Expression {
    return inline(call(this.functions[i]!.name, 0, VARIABLE), this.table);
  }

  // ---- meet, reach ------------------------------------------------------------------------------------------

  private meet(q: Question & { ask: "meet" }): Finding {
    if (q.functions.length !== 2)
      throw new Refusal(`Two functions can meet; this question names ${q.functions.length}.`);
    const difference = subtract(this.body(0), this.body(1));
    const found = this.level(difference, this.body(0), null);
    // Two written forms of one thing are compared by their greatest difference; where they simply cross it says nothing.
    return found.stretches.length > 0 || found.status === "none"
      ? { ...found, gap: this.greatestDifference(difference) }
      : found;
  }

  /** Where two functions are furthest apart on the range, and by how much. */
  private greatestDifference(difference: Expression): Finding["gap"] {
    const [high, low] = [
      findBest(difference, this.table, this.from, this.to, 1),
      findBest(difference, this.table, this.from, this.to, -1),
    ];
    if (high.status !== "attained" || low.status !== "attained") return null;
    const far = Math.abs(high.value) >= Math.abs(low.value) ? high : low;
    return { at: far.best[0]?.at ?? far.flat[0]?.lo ?? 0, size: Math.abs(far.value) };
  }

  private reach(q: Question & { ask: "reach" }): Finding {
    const level = this.quantity(q.value, "the value to reach");
    return this.level(subtract(this.body(), numberOf(level)), this.body(), level.exact);
  }

  /** All inputs at which `e` is 0, read as "`shown` reaches the level". */
  private level(e: Expression, shown: Expression, level: Rational | null): Finding {
    const search = findRoots(e, this.table, this.from, this.to, { irrationalEnds: this.irrationalEnds });
    const value = compileNumber(shown, this.table.number);
    const here = compileNumber(e, this.table.number);
    const solutions = search.roots.map((r, i) =>
      this.solution(r, e, here, level ? toDouble(level) : value(r.at), search, i),
    );
    const settled = search.open.length === 0 && search.searched === null;
    const about = this.about({ level: level && toDouble(level) });
    const everywhere = search.everywhere.length > 0;
    const stretches: FindingStretch[] = [
      ...search.everywhere.map((s) => stretch(s.lo, s.hi, s.closedLo, s.closedHi)),
      ...search.open.map((o) => stretch(o.lo, o.hi, true, true)),
    ];
    const whole =
      (search.everywhere.length === 1 &&
        this.from &&
        this.to &&
        search.everywhere[0]!.lo === toDouble(this.from) &&
        search.everywhere[0]!.hi === toDouble(this.to)) ||
      (search.everywhere.length === 1 &&
        search.everywhere[0]!.lo === -Infinity &&
        search.everywhere[0]!.hi === Infinity);
    const status = whole
      ? "everywhere"
      : solutions.length > 0 || everywhere
        ? "found"
        : search.open.length > 0
          ? "unsettled"
          : "none";
    return this.finding({
      status,
      complete: settled,
      solutions,
      stretches,
      searched: search.searched,
      about,
      setAside: everywhere ? [] : this.setAside(e),
      secondWay: worst(search.roots.slice(0, MOST_SET_ASIDE).map((r) => this.secondWayAt(r, e, here, search))),
      behaviour: status === "none" ? this.behaviour(shown, level) : null,
      jumps: search.jumps,
      message: search.open.length > 0 && solutions.length > 0 ? "Part of the range could not be settled." : null,
    });
  }

  private solution(
    r: Root,
    e: Expression,
    here: NumberFunction,
    value: number,
    search: RootSearch,
    index: number,
  ): Solution {
    const exact = r.exact ? exactRational(r.exact.expression) : null;
    const before = search.roots[index - 1]?.at ?? (this.from ? toDouble(this.from) : -Infinity);
    const after = search.roots[index + 1]?.at ?? (this.to ? toDouble(this.to) : Infinity);
    const rightSign = Math.sign(here(Number.isFinite(after) ? r.at + (after - r.at) / 2 : r.at + 1 + Math.abs(r.at)));
    const leftSign = Math.sign(here(Number.isFinite(before) ? r.at - (r.at - before) / 2 : r.at - 1 - Math.abs(r.at)));
    const turns =
      r.kind === "touching" ? 0 : rightSign > 0 || leftSign < 0 ? 1 : rightSign < 0 || leftSign > 0 ? -1 : 0;
    return {
      at: exact ? toDouble(exact) : r.at,
      value,
      low: r.lo,
      high: r.hi,
      kind: r.kind,
      ...exactShown(r.exact),
      whole: this.wholeReading(e, r, exact),
      reads: readingOf(r.at, this.variable),
      turns,
    };
  }

  /** The whole input beside a solution on the side where the function is at least the level, or as the question rounds. */
  private wholeReading(e: Expression, r: { lo: number; hi: number }, exact: Rational | null): WholeReading | null {
    const rule = this.q.round;
    if (rule === "none" || (!this.variable.whole && !rule)) return null;
    const { below, above } = wholeNeighbours(r.lo, r.hi, exact, (n) => {
      const v = valueAtWhole(e, this.table, n);
      return v?.exact ? signOf(v.exact) === 0 : v !== null && v.low <= 0 && v.high >= 0;
    });
    const at = (n: Rational) => {
      if ((this.from && n.compare(this.from) < 0) || (this.to && n.compare(this.to) > 0)) return null;
      const v = valueAtWhole(e, this.table, n);
      return v && { at: toDouble(n), value: v.value };
    };
    if (below.compare(above) === 0) {
      const w = at(below);
      return w && { ...w, value: Math.abs(w.value) < 1e-300 ? 0 : w.value };
    }
    const down = at(below);
    const up = at(above);
    const pair = (
      one: { at: number; value: number } | null,
      other: { at: number; value: number } | null,
    ): WholeReading | null => one && { ...one, ...(other ? { other } : {}) };
    if (rule === "up") return pair(up, down);
    if (rule === "down") return pair(down, up);
    const middle = (r.lo + r.hi) / 2;
    const upIsNear = toDouble(above) - middle <= middle - toDouble(below);
    if (rule === "nearest") return upIsNear ? pair(up, down) : pair(down, up);
    const upHolds = up !== null && up.value >= 0;
    const downHolds = down !== null && down.value >= 0;
    if (upHolds && downHolds) return upIsNear ? pair(up, down) : pair(down, up);
    return upHolds ? pair(up, down) : downHolds ? pair(down, up) : null;
  }

  private setAside(e: Expression): SetAside[] {
    if (!this.from || !this.to || this.from.compare(this.to) === 0) return [];
    const width = this.to.sub(this.from);
    const out: SetAside[] = [];
    for (const below of [true, false]) {
      const edge = below ? this.from : this.to;
      const search = below
        ? findRoots(e, this.table, this.from.sub(width), edge, { maxBoxes: SET_ASIDE_BOXES })
        : findRoots(e, this.table, edge, this.to.add(width), { maxBoxes: SET_ASIDE_BOXES });
      for (const r of search.roots.slice(0, MOST_SET_ASIDE)) {
        if (r.lo <= toDouble(edge) && r.hi >= toDouble(edge)) continue;
        if (below ? r.at >= toDouble(edge) : r.at <= toDouble(edge)) continue;
        const asked =
          this.narrowed && !(below ? this.variable.from?.compare(edge) === 0 : this.variable.to?.compare(edge) === 0);
        out.push({
          at: r.at,
          below,
          reason: `${below ? "below" : "above"} the range ${asked ? "asked for" : `of ${this.variable.name}`}, ${show(edge)}`,
        });
      }
    }
    return out;
  }

  private secondWayAt(r: Root, e: Expression, here: NumberFunction, search: RootSearch): SecondWay | null {
    if (r.kind !== "crossing") {
      const v = Math.abs(here(r.at));
      return Number.isFinite(v) ? plainEvaluation(0, v < residualScale(here, r.at) ? 0 : v) : null;
    }
    const others = search.roots.filter((o) => o !== r).map((o) => o.at);
    const room = (side: 1 | -1) =>
      Math.min(
        ...others.filter((o) => (o - r.at) * side > 0).map((o) => Math.abs(o - r.at) / 2),
        side > 0
          ? this.to
            ? toDouble(this.to) - r.at
            : 1 + Math.abs(r.at)
          : this.from
            ? r.at - toDouble(this.from)
            : 1 + Math.abs(r.at),
      );
    for (const share of [0.9, 0.1, 0.001]) {
      const found = bisectionNear(
        here,
        r.at,
        r.at - room(-1) * share,
        r.at + room(1) * share,
        (x) => containsZero(encloseAt(e, this.table, rationalOfDouble(x))) || Math.abs(here(x)) <= roundingOf(e, x),
      );
      if (found) return found;
    }
    return null;
  }

  /** For "never": the proven bounds of the function on the range, its direction, and what it comes close to. */
  private behaviour(shown: Expression, level: Rational | null): Behaviour | null {
    const greatest = findBest(shown, this.table, this.from, this.to, 1);
    const least = findBest(shown, this.table, this.from, this.to, -1);
    const value = compileNumber(shown, this.table.number);
    const a = this.from && toDouble(this.from);
    const b = this.to && toDouble(this.to);
    const bound = (s: typeof greatest, side: 1 | -1): number =>
      s.status === "attained" ? (side > 0 ? s.high : s.low) : s.status === "approached" ? s.limit : side * Infinity;
    const high = bound(greatest, 1);
    const low = bound(least, -1);
    const ends = [a, b].map((x) => (x === null ? null : value(x)));
    const atEnds = (s: typeof greatest) =>
      s.status === "attained" && s.best.length === 1 ? s.best[0]!.at : s.status === "approached" ? s.near : null;
    const top = atEnds(greatest);
    const bottom = atEnds(least);
    const isLeft = (x: number | null) => x !== null && (a === null ? x === -Infinity : x === a);
    const isRight = (x: number | null) => x !== null && (b === null ? x === Infinity : x === b);
    const monotone = isLeft(top) && isRight(bottom) ? "falls" : isLeft(bottom) && isRight(top) ? "rises" : null;
    const limit =
      b === null && least.status === "approached" && least.near === Infinity
        ? least.limit
        : b === null && greatest.status === "approached" && greatest.near === Infinity
          ? greatest.limit
          : null;
    return {
      low,
      high,
      from: ends[0] ?? null,
      to: ends[1] ?? null,
      monotone,
      level: level ? toDouble(level) : 0,
      approaches: limit,
    };
  }

  private multiply(q: Question & { ask: "multiply" }): Finding {
    const factor = this.quantity(q.factor, "the factor");
    const start = q.start === undefined ? (this.from ?? ZERO) : this.amount(q.start, "the start");
    const e = this.body();
    const first = this.exactOrNear(e, start);
    const there = smoothParts(e, this.table, start, start).find((p) => p.isPoint)?.expression;
    if (!first || !there)
      throw new Refusal(
        `${this.functions[0]!.name} has no value at ${this.variable.name} = ${show(start)}, where the counting starts.`,
      );
    const level = first.mul(factor.exact);
    // The level as it is, not its nearest double: 0.1 · 100 · 0.5^(2/8) keeps its logarithm short.
    const goal = subtract(e, multiply(numberOf(factor), atInput(there, start)));
    const search = findRoots(goal, this.table, start, this.to);
    const after = search.roots.filter((r) => r.at > toDouble(start));
    const value = compileNumber(goal, this.table.number);
    const root = after[0];
    const about = this.about({ from: toDouble(start), level: toDouble(level), at: toDouble(start) });
    if (!root) {
      return this.finding({
        status: search.open.length > 0 ? "unsettled" : "none",
        complete: search.open.length === 0 && !search.searched,
        searched: search.searched,
        about,
        stretches: search.open.map((o) => stretch(o.lo, o.hi, true, true)),
        behaviour: search.open.length > 0 ? null : this.behaviour(e, level),
      });
    }
    const certain = !search.open.some((o) => o.lo < root.at);
    return this.finding({
      complete: certain && (search.searched === null || certain),
      searched: null,
      about,
      solutions: [this.solution(root, goal, value, toDouble(level), search, search.roots.indexOf(root))],
      secondWay: this.secondWayAt(root, goal, value, search),
    });
  }

  private exactOrNear(e: Expression, at: Rational): Rational | null {
    const part = smoothParts(e, this.table, at, at).find((p) => p.isPoint);
    if (!part?.expression) return null;
    const exact = exactRational(atInput(part.expression, at));
    if (exact) return exact;
    const v = encloseAt(part.expression, this.table, at);
    return v.flags & EMPTY || !Number.isFinite(v.lo) || !Number.isFinite(v.hi)
      ? null
      : rationalOfDouble(v.lo + (v.hi - v.lo) / 2);
  }

  // ---- where, compare ---------------------------------------------------------------------------------------

  private where(q: Question & { ask: "where" }): Finding {
    const limit = this.quantity(q.value, "the value to compare with");
    const level = limit.exact;
    const e = subtract(this.body(), numberOf(limit));
    const found = whereRelation(e, this.table, this.from, this.to, q.relation);
    const whole = this.variable.whole && q.round !== "none";
    const stretches = found.stretches.map((s) => ({
      ...stretch(s.from, s.to, s.closedFrom, s.closedTo),
      first: whole ? firstWhole(s.from, s.closedFrom, s.to, s.closedTo) : null,
    }));
    const here = compileNumber(e, this.table.number);
    const value = toDouble(level);
    const all = (s: FindingStretch | undefined) =>
      stretches.length === 1 &&
      s !== undefined &&
      s.from === (this.from && toDouble(this.from)) &&
      s.to === (this.to && toDouble(this.to)) &&
      s.ends === "[]";
    const status =
      found.open.length > 0 && stretches.length === 0
        ? "unsettled"
        : stretches.length === 0
          ? "none"
          : all(stretches[0])
            ? "everywhere"
            : "found";
    return this.finding({
      status,
      complete: found.open.length === 0 && !found.search.searched,
      searched: found.search.searched,
      stretches: status === "unsettled" ? found.open.map((o) => stretch(o.lo, o.hi, true, true)) : stretches,
      solutions: [],
      about: this.about({ level: value }),
      jumps: found.search.jumps,
      secondWay: worst(
        found.search.roots.slice(0, MOST_SET_ASIDE).map((r) => this.secondWayAt(r, e, here, found.search)),
      ),
      behaviour: status === "none" ? this.behaviour(this.body(), level) : null,
      message: found.open.length > 0 && status !== "unsettled" ? "Part of the range could not be settled." : null,
    });
  }

  private compare(): Finding {
    if (this.functions.length < 2) throw new Refusal("Comparing needs at least two functions.");
    if (!this.from || !this.to)
      throw new Refusal(`Comparing needs a range: give ${this.variable.name} a start and an end.`);
    const bodies = this.functions.map((_, i) => this.body(i));
    const { leaders, complete, meets } = leastOf(bodies, this.table, this.from, this.to);
    const whole = this.variable.whole && this.q.round !== "none";
    return this.finding({
      complete,
      stretches: leaders.map((l) => ({
        ...stretch(l.from, l.to, l.closedFrom, l.closedTo),
        least: l.least === null ? null : this.functions[l.least]!.name,
        first: whole ? firstWhole(l.from, true, l.to, true) : null,
      })),
      solutions: [],
      secondWay: worst(
        meets.map((m) => {
          const f = compileNumber(subtract(bodies[m.a]!, bodies[m.b]!), this.table.number);
          return plainEvaluation(0, Math.abs(f(m.at)) < residualScale(f, m.at) ? 0 : Math.abs(f(m.at)));
        }),
      ),
    });
  }

  // ---- greatest, least --------------------------------------------------------------------------------------

  private best(sense: 1 | -1): Finding {
    const e = this.body();
    const found = findBest(e, this.table, this.from, this.to, sense);
    const word = sense > 0 ? "greatest" : "least";
    const name = this.functions[0]!.name;
    const x = this.variable.name;
    if (found.status === "undefined")
      return this.finding({ status: "none", complete: true, message: `${name} has no value anywhere on the range.` });
    if (found.status === "unsettled")
      return this.finding({ status: "unsettled", stretches: found.open.map((o) => stretch(o.lo, o.hi, true, true)) });
    if (found.status === "unbounded") {
      const where = Number.isFinite(found.near)
        ? `near ${x} = ${short(found.near)}`
        : `as ${x} ${found.near > 0 ? "grows" : "falls"}`;
      return this.finding({
        status: "none",
        complete: true,
        message: `${name} has no ${word} value: it ${sense > 0 ? "grows" : "falls"} without bound ${where}.`,
      });
    }
    if (found.status === "approached") {
      const where = Number.isFinite(found.near)
        ? `at ${x} = ${short(found.near)}`
        : `as ${x} ${found.near > 0 ? "grows" : "falls"}`;
      return this.finding({
        status: "none",
        complete: true,
        message: `${name} has no ${word} value: it comes ever closer to ${short(found.limit)} ${where}, but does not take it.`,
        about: this.about({ level: found.limit }),
      });
    }
    const value = compileNumber(e, this.table.number);
    const wholeRule = this.variable.whole && this.q.round !== "none" && this.from && this.to;
    const wholes = wholeRule
      ? bestWhole(e, this.table, this.from!, this.to!, [...found.places, ...wholesInside(found.flat)], sense)
      : [];
    const lo = this.from ? toDouble(this.from) : null;
    const hi = this.to ? toDouble(this.to) : null;
    const solutions: Solution[] = found.best.map((b) => {
      const exact = b.exact ? exactRational(b.exact.expression) : null;
      return {
        at: exact ? toDouble(exact) : b.at,
        value: found.value,
        low: b.lo,
        high: b.hi,
        kind: b.kind,
        ...exactShown(b.exact),
        whole: nearestOf(wholes, b.at),
        reads: readingOf(b.at, this.variable),
        turns: 0,
      };
    });
    const peak = found.best[0];
    return this.finding({
      status: found.flat.some((s) => s.lo === (lo ?? -Infinity) && s.hi === (hi ?? Infinity)) ? "everywhere" : "found",
      complete: found.complete,
      solutions,
      value: found.value,
      exactValue: found.exactValue ? rationalText(found.exactValue) : null,
      wholeTies: wholes.length > 1 ? wholes : null,
      stretches: found.flat.map((f) => stretch(f.lo, f.hi, true, true)),
      secondWay: peak
        ? goldenSection(
            value,
            sense,
            peak.at,
            found.value,
            Math.max(lo ?? -Infinity, peak.at - span(lo, hi, peak.at)),
            Math.min(hi ?? Infinity, peak.at + span(lo, hi, peak.at)),
          )
        : null,
      message: found.complete ? null : "Part of the range could not be settled.",
    });
  }

  // ---- value, rate, total -----------------------------------------------------------------------------------

  private valueOf(q: Question & { ask: "value" }): Finding {
    const at = this.amount(q.at, "the input");
    const f = this.functions[0]!;
    const x = this.variable;
    const e = this.body();
    const part = smoothParts(e, this.table, at, at).find((p) => p.isPoint);
    const v = part?.expression ? encloseAt(part.expression, this.table, at) : null;
    const below = x.from && at.compare(x.from) < 0 ? toDouble(at.sub(x.from)) : null;
    const above = x.to && at.compare(x.to) > 0 ? toDouble(at.sub(x.to)) : null;
    const about = this.about({ at: toDouble(at), beyond: below ?? above });
    if (!v || v.flags & EMPTY || !Number.isFinite(v.lo) || !Number.isFinite(v.hi)) {
      return this.finding({
        status: "none",
        complete: true,
        about,
        message: `${f.name} has no value at ${x.name} = ${show(at)}.`,
      });
    }
    const exact = exactRational(atInput(part!.expression!, at));
    const value = exact ? toDouble(exact) : v.lo + (v.hi - v.lo) / 2;
    const closed =
      !exact && !dependsOnVariable(atInput(part!.expression!, at))
        ? exactShown(formOf(atInput(part!.expression!, at))).exact
        : null;
    return this.finding({
      complete: true,
      value,
      exactValue: exact ? readable(rationalText(exact)) : closed,
      about,
      secondWay: plainEvaluation(value, this.table.number(f.name)(toDouble(at))),
      estimate: this.estimateAt(f.name, toDouble(at)),
      message:
        below !== null || above !== null
          ? `${show(at)} lies ${below !== null ? "below" : "above"} the range of ${x.name}, ${show((below !== null ? x.from : x.to)!)}.`
          : null,
    });
  }

  /** What a fitted function is worth at an input: inside its rows or beyond them, and between which readings it should lie. */
  private estimateAt(name: string, at: number): Finding["estimate"] {
    const own = this.model.fits.get(name);
    // A function made of fitted ones, a revenue or a function in pieces, is worth what their rows are; its band is not known.
    const under = own ? [own] : this.fitsUnder(name, new Set());
    if (under.length === 0) return null;
    const [from, to] = [Math.min(...under.map((f) => f.from)), Math.max(...under.map((f) => f.to))];
    const band = own?.fit.band(at) ?? null;
    return {
      beyond: at > to ? at - to : at < from ? at - from : 0,
      low: band && Number.isFinite(band.low) ? band.low : null,
      high: band && Number.isFinite(band.high) ? band.high : null,
    };
  }
  /** The fits of the same variable that a function is made of. */
  private fitsUnder(name: string, seen: Set<string>): ModelFit[] {
    const f = this.model.functions.get(name);
    if (!f || seen.has(name)) return [];
    seen.add(name);
    const own = this.model.fits.get(name);
    return own ? (f.of === this.variable.name ? [own] : []) : f.uses.flatMap((u) => this.fitsUnder(u, seen));
  }

  private rate(q: Question & { ask: "rate" }): Finding {
    const f = this.functions[0]!;
    const x = this.variable.name;
    const percent = q.as === "percent";
    const e = this.body();
    if (q.between) {
      const [a, b] = [this.amount(q.between[0], "the start"), this.amount(q.between[1], "the end")];
      if (a.compare(b) === 0)
        throw new Refusal(`An average rate needs two different inputs; both are ${x} = ${show(a)}.`);
      const [va, vb] = [this.exactOrNear(e, a), this.exactOrNear(e, b)];
      const missing = !va ? a : !vb ? b : null;
      if (missing)
        return this.finding({
          status: "none",
          complete: true,
          message: `${f.name} has no value at ${x} = ${show(missing)}.`,
          about: this.about({ between: [toDouble(a), toDouble(b)] }),
        });
      if (percent && signOf(va!) === 0)
        throw new Refusal(`${f.name} is 0 at ${x} = ${show(a)}; a rate in percent of 0 has no meaning.`);
      const rise = vb!.sub(va!).div(b.sub(a));
      const rate = percent ? rise.div(va!) : rise;
      const n = this.table.number(f.name);
      const plain = (n(toDouble(b)) - n(toDouble(a))) / (toDouble(b) - toDouble(a)) / (percent ? n(toDouble(a)) : 1);
      return this.finding({
        complete: true,
        value: toDouble(rate),
        exactValue: decimalText(rate) ?? null,
        about: this.about({ between: [toDouble(a), toDouble(b)] }),
        secondWay: plainEvaluation(toDouble(rate), plain),
      });
    }
    if (q.at === undefined) throw new Refusal("A rate needs an input (`at`) or two inputs (`between`).");
    const at = this.amount(q.at, "the input");
    const slope = inline(call(f.name, 1, VARIABLE), this.table);
    const part = smoothParts(slope, this.table, at, at).find((p) => p.isPoint);
    const v = part?.expression ? encloseAt(part.expression, this.table, at) : null;
    const joined = !v || v.flags & EMPTY ? this.slopeAtJoint(at) : null;
    const about = this.about({ at: toDouble(at) });
    if ((!v || v.flags & EMPTY || !Number.isFinite(v.lo)) && joined === null)
      return this.finding({
        status: "none",
        complete: true,
        about,
        message: `${f.name} has no slope at ${x} = ${show(at)}: it has a corner, a jump or no value there.`,
      });
    let value = joined ?? v!.lo + (v!.hi - v!.lo) / 2;
    const exact = part?.expression ? exactRational(atInput(part.expression, at)) : null;
    if (exact) value = toDouble(exact);
    const n = this.table.number(f.name);
    if (percent) {
      const base = n(toDouble(at));
      if (!(base !== 0))
        throw new Refusal(`${f.name} is 0 at ${x} = ${show(at)}; a rate in percent of 0 has no meaning.`);
      value /= base;
    }
    const width = this.from && this.to ? toDouble(this.to.sub(this.from)) * 1e-3 : 0;
    const second = differenceQuotient(percent ? (t) => n(t) / n(toDouble(at)) : n, toDouble(at), value, width);
    return this.finding({
      complete: true,
      value,
      exactValue: exact && !percent ? rationalText(exact) : null,
      about,
      secondWay: second,
    });
  }

  /** At a joint of pieces the slope exists when value and slope agree on both sides. */
  private slopeAtJoint(at: Rational): number | null {
    const e = inline(call(this.functions[0]!.name, 1, VARIABLE), this.table);
    const f = this.body();
    const width = ratio(1);
    const sides = [smoothParts(e, this.table, at.sub(width), at), smoothParts(e, this.table, at, at.add(width))];
    const values = [smoothParts(f, this.table, at.sub(width), at), smoothParts(f, this.table, at, at.add(width))];
    const left = [...sides[0]!].reverse().find((p) => !p.isPoint)?.expression;
    const right = sides[1]!.find((p) => !p.isPoint)?.expression;
    const fl = [...values[0]!].reverse().find((p) => !p.isPoint)?.expression;
    const fr = values[1]!.find((p) => !p.isPoint)?.expression;
    if (!left || !right || !fl || !fr) return null;
    const [a, b, va, vb] = [left, right, fl, fr].map((x) => encloseAt(x, this.table, at)) as [
      Enclosure,
      Enclosure,
      Enclosure,
      Enclosure,
    ];
    const meet = (u: Enclosure, w: Enclosure) =>
      !(u.flags & EMPTY) && !(w.flags & EMPTY) && u.lo <= w.hi && w.lo <= u.hi;
    return meet(a, b) && meet(va, vb) ? (a.lo + a.hi) / 2 : null;
  }

  private total(q: Question & { ask: "total" | "average" }): Finding {
    const [a, b] = [this.amount(q.between[0], "the start"), this.amount(q.between[1], "the end")];
    const f = this.functions[0]!;
    const about = this.about({ between: [toDouble(a), toDouble(b)] });
    if (q.ask === "average" && a.compare(b) === 0)
      throw new Refusal("An average needs a stretch; both ends are the same.");
    const e = this.body();
    const sum = integrate(e, this.table, a, b);
    const x = this.variable.name;
    if (!sum.ok) {
      if (sum.reason === "work")
        return this.finding({
          status: "unsettled",
          about,
          message: `The total could not be bounded within the work allowed; it is hard near ${x} = ${short(sum.near)}.`,
        });
      return this.finding({
        status: "none",
        complete: true,
        about,
        message:
          sum.reason === "undefined"
            ? `${f.name} has no value on part of the stretch, near ${x} = ${short(sum.near)}, so that it has no total.`
            : `${f.name} grows without bound near ${x} = ${short(sum.near)}; no total can be given.`,
      });
    }
    const width = b.sub(a);
    const by = q.ask === "average" ? width : ratio(1);
    const value = sum.exact ? toDouble(sum.exact.div(by)) : sum.value / toDouble(by);
    const breaks = smoothParts(e, this.table, a.compare(b) < 0 ? a : b, a.compare(b) < 0 ? b : a)
      .filter((p) => p.isPoint)
      .map((p) => toDouble(p.from!));
    const second = gaussSum(compileNumber(e, this.table.number), toDouble(a), toDouble(b), sum.value, breaks);
    return this.finding({
      complete: true,
      value,
      exactValue: sum.exact ? rationalText(sum.exact.div(by)) : null,
      about,
      secondWay: second,
    });
  }

  // ---- given ------------------------------------------------------------------------------------------------

  /** The value of a given for a wanted output: the given becomes the unknown, the input a number. */
  private given(q: Question & { ask: "given" }): Finding {
    if (!this.model.givens.has(q.given)) {
      const near = nearName(q.given, [...this.model.givens.keys()]);
      throw new Refusal(`${quoted(q.given)} is no given of this case.${near ? ` Did you mean ${quoted(near)}?` : ""}`);
    }
    const [from, to] = [
      this.amount(q.range[0], "the start of the range"),
      this.amount(q.range[1], "the end of the range"),
    ];
    if (from.compare(to) >= 0)
      throw new Refusal(
        `The range for ${q.given} starts at ${show(from)} and ends at ${show(to)}; the end should come after the start.`,
      );
    const at = this.amount(q.at, "the input");
    const level = this.amount(q.value, "the wanted value");
    const name = this.functions[0]!.name;
    const other = buildModel(this.model.source, q.given);
    const f = other.functions.get(name);
    if (!f || f.trouble) throw new Refusal(f?.trouble ?? `${name} cannot be followed back to ${q.given}.`);
    const body = inUnknown(inline(call(name, 0, exactNumber(at)), other.table), other.table);
    if (!body)
      throw new Refusal(
        `${name} is made in a way (pieces or a running total) that cannot be solved for ${q.given} here; vary ${q.given} by its track instead.`,
      );
    if (!dependsOnVariable(body))
      throw new Refusal(`${name} at ${this.variable.name} = ${show(at)} does not depend on ${q.given}.`);
    const e = subtract(body, exactNumber(level));
    const search = findRoots(e, other.table, from, to);
    const here = compileNumber(e, other.table.number);
    const solutions: Solution[] = search.roots.map((r) => ({
      at: r.at,
      value: toDouble(level),
      low: r.lo,
      high: r.hi,
      kind: r.kind,
      ...exactShown(r.exact),
      whole: null,
      reads: null,
      turns: 0,
    }));
    return this.finding({
      status:
        search.everywhere.length > 0
          ? "everywhere"
          : solutions.length > 0
            ? "found"
            : search.open.length > 0
              ? "unsettled"
              : "none",
      complete: search.open.length === 0,
      solutions,
      stretches: search.open.map((o) => stretch(o.lo, o.hi, true, true)),
      about: this.about({
        given: q.given,
        at: toDouble(at),
        level: toDouble(level),
        from: toDouble(from),
        to: toDouble(to),
      }),
      secondWay: worst(
        search.roots.map((r) =>
          plainEvaluation(0, Math.abs(here(r.at)) < residualScale(here, r.at) ? 0 : Math.abs(here(r.at))),
        ),
      ),
    });
  }
}

/** The unknown given in place of the variable, all calls at fixed inputs written out; null where pieces or totals stand in the way. */
function inUnknown(e: Expression, table: FunctionTable): Expression | null {
  let fails = false;
  const go = (x: Expression): Expression => {
    if (x.kind === "number" && x.within === UNKNOWN_GIVEN) return VARIABLE;
    if (x.kind === "call") {
      const input = go(x.a);
      const d = table.definition(x.name, x.order);
      const fixed = dependsOnVariable(input) ? null : exactRational(input);
      if (d?.kind === "pieces" && fixed) {
        const piece = d.pieces.find(
          (p) =>
            (!p.from || fixed.compare(p.from) > 0 || (p.closedFrom && fixed.compare(p.from) === 0)) &&
            (!p.to || fixed.compare(p.to) < 0 || (p.closedTo && fixed.compare(p.to) === 0)),
        );
        if (piece) return go(inline(substitute(piece.expression, exactNumber(fixed)), table));
      }
      fails = true;
      return x;
    }
    return rebuild(x, go);
  };
  const out = go(e);
  return fails ? null : out;
}
const atInput = (e: Expression, at: Rational): Expression => substitute(e, exactNumber(at));

const numberOf = (a: { exact: Rational; irrational: Expression | null }): Expression =>
  a.irrational ?? exactNumber(a.exact);
const show = (r: Rational): string => decimalText(r) ?? short(toDouble(r));
const short = (x: number): string => String(Number(x.toPrecision(6)));

function stretch(lo: number, hi: number, closedLo: boolean, closedHi: boolean): FindingStretch {
  return {
    from: Number.isFinite(lo) ? lo : null,
    to: Number.isFinite(hi) ? hi : null,
    ends: `${closedLo && Number.isFinite(lo) ? "[" : "("}${closedHi && Number.isFinite(hi) ? "]" : ")"}`,
    least: null,
    first: null,
  };
}

/** First whole input inside a stretch. */
function firstWhole(from: number, closedFrom: boolean, to: number, closedTo: boolean): number | null {
  if (!Number.isFinite(from)) return null;
  let n = Math.ceil(from);
  if (n === from && !closedFrom) n++;
  return n < to || (n === to && closedTo) ? n : null;
}

/** How far rounding alone may move a polynomial's value: the sum of its terms' sizes, in units of the last place. */
function roundingOf(e: Expression, x: number): number {
  const p = polynomialForm(e);
  return p ? p.reduce((sum, c, i) => sum + Math.abs(toDouble(c)) * Math.abs(x) ** i, 0) * 2 ** -50 : 0;
}

/** The largest value the residual of a true root may show through rounding alone. */
function residualScale(f: NumberFunction, at: number): number {
  const h = Math.max(Math.abs(at), 1) * 1e-7;
  return Math.max(Math.abs(f(at + h)), Math.abs(f(at - h)), 1e-9) * 1e-2;
}

const worst = (list: readonly (SecondWay | null)[]): SecondWay | null => {
  const known = list.filter((s): s is SecondWay => s !== null);
  if (known.length === 0) return null;
  return known.reduce((a, b) => (b.agrees === a.agrees ? (b.difference > a.difference ? b : a) : b.agrees ? a : b));
};

/** Whole inputs on stretches where the best value is taken throughout, up to a few thousand. */
function wholesInside(flat: readonly { lo: number; hi: number }[]): number[] {
  return flat.flatMap((f) =>
    f.hi - f.lo <= 5000
      ? Array.from({ length: Math.max(0, Math.floor(f.hi) - Math.ceil(f.lo) + 1) }, (_, i) => Math.ceil(f.lo) + i)
      : [],
  );
}

function nearestOf(wholes: readonly WholeReading[], at: number): WholeReading | null {
  let best: WholeReading | null = null;
  for (const w of wholes) if (!best || Math.abs(w.at - at) < Math.abs(best.at - at)) best = w;
  return best;
}

const span = (lo: number | null, hi: number | null, at: number): number =>
  Math.max(1e-9, (lo !== null && hi !== null ? hi - lo : Math.max(1, Math.abs(at))) * 1e-3);

function exactOf(s: Solution): Rational | null {
  const fraction = s.exact && /^(-?\d+)(?:\/(\d+))?$/.exec(s.exact);
  return fraction ? ratio(BigInt(fraction[1]!), BigInt(fraction[2] ?? "1")) : null;
}

/** A number with more digits than a person reads came out of data, not out of a story; an exact form of it says nothing. */
const UNREADABLE = /[\d.]{15,}/;
const readable = (text: string): string | null => (UNREADABLE.test(text) ? null : text);
const exactShown = (
  form: { text: string; latex: string } | null | undefined,
): { exact: string | null; exactLatex: string | null } =>
  form && readable(form.text) ? { exact: form.text, exactLatex: form.latex } : { exact: null, exactLatex: null };
