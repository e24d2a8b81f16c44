import type { Amount } from "../amount";
import type { Ask } from "../asks";
import type { Draft } from "../draft";
import { isTimeUnit } from "../spokenUnits";
import type { Told } from "../told";
import type { Law } from "./growthLaws";
import { inUnit, levelIn } from "./measure";

/** A course of growth that has become a function of time. */
export interface Course {
  readonly name: string;
  readonly start: Amount | null;
  readonly law: Law;
  /** who it is of, where there are several */
  readonly label: string | null;
}

/** Turns what is asked about growth into questions about the courses. */
export function askGrowth(
  draft: Draft,
  told: Told,
  courses: readonly Course[],
  time: string,
  since: number | null,
): void {
  const goal = goalOf(told, draft);
  for (const ask of told.asks)
    for (const course of about(ask, courses)) askOne(draft, ask, course, courses, { told, time, since, goal });
}

/** The courses an ask is about: those it names, else all. */
function about(ask: Ask, courses: readonly Course[]): readonly Course[] {
  const named = courses.filter((c) => c.label !== null && ask.text.includes(c.label));
  return named.length > 0 ? named : courses;
}

interface Around {
  readonly told: Told;
  readonly time: string;
  readonly since: number | null;
  /** what is wanted, where the story told it before it asked */
  readonly goal: Amount | null;
}

/** The moment that an ask names: so many years on, or a year of the calendar. */
function momentOf(ask: Ask, { time, since }: Around): number | null {
  const after = ask.amounts.find((a) => a.kind === "time" && isTimeUnit(a.unit));
  if (after) return inUnit(after, time);
  const year = ask.amounts.find((a) => a.kind === "date" && a.value > 1700);
  return year && since !== null ? year.value - since : null;
}

function askOne(draft: Draft, ask: Ask, course: Course, all: readonly Course[], around: Around): void {
  const f = course.name;
  const moment = momentOf(ask, around);
  const own = ask.amounts.filter((a) => !a.unit || !isTimeUnit(a.unit));
  const level =
    own.find(
      (a) =>
        (a.kind === "money" || a.kind === "count" || a.kind === "bare" || a.kind === "measure") && a !== course.start,
    ) ?? null;
  const used = () => {
    draft.use(...ask.amounts);
    return ask;
  };
  switch (ask.intent) {
    case "then": {
      const told = around.told.stated.find((a) => a.kind === "time" && !draft.used.has(a)) ?? null;
      draft.use(told);
      const at = told && inUnit(told, around.time);
      return void (at !== null && draft.ask({ ask: "value", function: f, at }, used()));
    }
    case "multiply":
      return void (ask.factor !== null && draft.ask({ ask: "multiply", function: f, factor: ask.factor }, used()));
    case "same":
    case "cheaper":
      return versus(draft, ask, all, moment, used);
    case "value":
    case "total":
    case "greatest":
      if (moment !== null) draft.ask({ ask: "value", function: f, at: moment }, used());
      else if (all.length > 1) versus(draft, ask, all, moment, used);
      else if (level)
        draft.ask({ ask: "reach", function: f, value: levelIn(level, course.start?.unit ?? null) }, used());
      return;
    case "reach":
    case "where":
    case "least":
    case "zero":
    case "break-even":
      return reached(draft, ask, course, level, around, used);
    case "rate":
      return void (moment !== null && draft.ask({ ask: "rate", function: f, at: moment }, used()));
    case "average": {
      const times = ask.amounts.filter((a) => a.kind === "time").map((a) => inUnit(a, around.time)!);
      if (times.length >= 1)
        draft.ask(
          { ask: "rate", function: f, between: times.length > 1 ? [times[0]!, times[1]!] : [0, times[0]!] },
          used(),
        );
      return;
    }
    default:
  }
}

/** When a level is reached: told in the ask, as a share of the start, or earlier in the story. */
function reached(
  draft: Draft,
  ask: Ask,
  { name: f, start }: Course,
  level: Amount | null,
  { goal: wanted }: Around,
  used: () => Ask,
): void {
  const share = ask.amounts.find((a) => a.kind === "percent");
  if (share && !level && /\bof\b|\bleft\b|\bremain/i.test(share.after + ask.text)) {
    draft.ask({ ask: "multiply", function: f, factor: share.value }, used());
    return;
  }
  const goal = level ?? wanted;
  if (!goal) return;
  draft.use(goal);
  if (ask.intent === "where" && goal.limit && goal.limit !== "=")
    draft.ask({ ask: "where", function: f, relation: goal.limit, value: goal.value }, used());
  else draft.ask({ ask: "reach", function: f, value: levelIn(goal, start?.unit ?? null) }, used());
}

/** What is wanted, where the story told it before it asked: "a rail that will cost $6,500". */
const goalOf = (told: Told, draft: Draft): Amount | null =>
  told.stated.find(
    (a) => !draft.used.has(a) && (a.kind === "money" || a.kind === "count" || a.kind === "measure") && a.per === null,
  ) ?? null;

/** Several courses beside each other: where they are equal, which is least, what each has become. */
function versus(draft: Draft, ask: Ask, all: readonly Course[], moment: number | null, used: () => Ask): void {
  if (all.length < 2) return;
  const names = all.map((c) => c.name);
  if (moment !== null) for (const name of names) draft.ask({ ask: "value", function: name, at: moment }, used());
  if (ask.intent === "same" && names.length === 2) draft.ask({ ask: "meet", functions: names }, used());
  else draft.ask({ ask: "compare", functions: names }, used());
}
