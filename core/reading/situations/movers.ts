import type { Amount } from "../amount";
import { Draft } from "../draft";
import { calledBefore } from "../lexicon";
import { hull } from "../text";
import type { Told } from "../told";
import { inUnit, levelIn } from "./measure";

const LATER = /\b(?:later|earlier|after(?:wards)?|before|behind)\b/i;
const AHEAD = /\b(?:ahead|head start|in front|behind|lead)\b/i;
const TOWARDS = /\b(?:towards? (?:each other|one another)|meet|from opposite|to meet|in opposite directions)\b/i;

/** Two that move at speeds of their own: one starts later or ahead, or they come towards each other. */
export function movers(told: Told): Draft | null {
  const speeds = told.stated.filter(
    (a) => a.unit === "km/h" || a.unit === "m/s" || a.unit === "mi/h" || a.unit === "ft/s",
  );
  const [first, second] = speeds;
  if (!first || !second || speeds.length !== 2 || first.unit !== second.unit) return null;
  const [length, time] = first.unit!.split("/") as [string, string];
  const delay = told.stated.find(
    (a) => a.kind === "time" && (LATER.test(a.after.slice(0, 14)) || LATER.test(a.before.slice(-14))),
  );
  const apart = told.stated.find(
    (a) => inUnit(a, length) !== null && a.unit !== null && !speeds.includes(a) && a.kind === "measure",
  );
  const isTowards = apart !== undefined && TOWARDS.test(told.story) && !/\bcatch|overtak|follow/i.test(told.story);
  const isAhead = apart !== undefined && AHEAD.test(told.story);
  if (!delay && !isTowards && !isAhead) return null;
  const draft = new Draft();
  const t = draft.name("t");
  draft.variable({ name: t, unit: time, label: "time", from: 0 }, hull([first, second]));
  const u = draft.given(first, ["u"], first.unit, `speed of ${whoOf(first, told, "the first")}`);
  const w = draft.given(second, ["w"], second.unit, `speed of ${whoOf(second, told, "the second")}`);
  const d = apart && (isTowards || isAhead) ? lengthGiven(draft, apart, length) : null;
  // Where the second starts earlier, it is the first that waits.
  const isEarlier = delay !== undefined && /\b(?:earlier|before)\b/i.test(delay.after.slice(0, 14));
  const T = delay ? timeGiven(draft, delay, time) : null;
  const a = draft.formula(
    { name: draft.name("A"), unit: length, label: whoOf(first, told, "the first") },
    t,
    firstText(u, t, isTowards ? null : d, isEarlier ? T : null),
    first,
  );
  const since = T && !isEarlier ? `(${t} - ${T})` : t;
  const b = draft.formula(
    { name: draft.name("B"), unit: length, label: whoOf(second, told, "the second") },
    t,
    isTowards && d ? `${d} - ${w} ${since}` : `${w} ${since}`,
    second,
  );
  for (const ask of told.asks) askMovers(draft, ask, a, b, { length, time });
  return draft;
}
/** The first is ahead by a distance where it is followed, and waits where the second starts earlier. */
function firstText(u: string, t: string, ahead: string | null, wait: string | null): string {
  const way = `${u} ${wait ? `(${t} - ${wait})` : t}`;
  return ahead ? `${ahead} + ${way}` : way;
}

function lengthGiven(draft: Draft, a: Amount, unit: string): string {
  draft.use(a);
  return draft.number(levelIn(a, unit), ["d"], unit, "distance at the start", a);
}
function timeGiven(draft: Draft, a: Amount, unit: string): string {
  draft.use(a);
  return draft.number(levelIn(a, unit), ["T"], unit, "how much later", a);
}
const whoOf = (a: Amount, told: Told, fallback: string): string => calledBefore(a, told.story) ?? fallback;

function askMovers(
  draft: Draft,
  ask: Told["asks"][number],
  a: string,
  b: string,
  { length, time }: { length: string; time: string },
): void {
  draft.use(...ask.amounts);
  const moment = ask.amounts.find((x) => x.kind === "time");
  if (moment) {
    const at = levelIn(moment, time);
    for (const f of [a, b]) draft.ask({ ask: "value", function: f, at }, ask);
    return;
  }
  const level = ask.amounts.find((x) => x.unit !== null && inUnit(x, length) !== null);
  if (level) for (const f of [a, b]) draft.ask({ ask: "reach", function: f, value: levelIn(level, length) }, ask);
  else {
    const of = draft.ask({ ask: "meet", functions: [a, b] }, ask);
    if (/\bhow far|where\b/i.test(ask.text)) draft.ask({ ask: "value", function: a, at: { of } }, ask);
  }
}
