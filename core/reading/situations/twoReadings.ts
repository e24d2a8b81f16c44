import { plural } from "../../units";
import type { Amount } from "../amount";
import { Draft } from "../draft";
import { isTimeUnit } from "../spokenUnits";
import { hull } from "../text";
import type { Told } from "../told";
import { inUnit, levelIn } from "./measure";

/** A level at a moment: 65 °C after 5 minutes. */
interface Reading {
  readonly level: Amount;
  readonly moment: Amount | null;
}

const COOLS = /\b(?:cool\w*|warms?|heats?|thaw\w*)\b/i;
const ROOM = /\b(?:room|air|outside|surround\w*|outdoors|cellar|fridge|kitchen)\b[^.]*$/i;
const CURVED = /\b(?:exponential\w*|compound\w*|same (?:percentage|factor|rate|share)|by the same)\b/i;

/** Growth, decay or cooling that two readings fix: a level at the start and one later. */
export function twoReadings(told: Told): Draft | null {
  const isCooling = COOLS.test(told.story) && told.amounts.some((a) => a.unit === "°C");
  if (!isCooling && !CURVED.test(told.story)) return null;
  if (told.stated.some((a) => a.kind === "percent")) return null;
  const kind = isCooling ? "measure" : null;
  const moments = told.stated.filter((a) => a.kind === "time" || a.kind === "date");
  const levels = told.stated.filter(
    (a) =>
      (kind
        ? a.unit === "°C"
        : a.kind === "money" || a.kind === "count" || a.kind === "measure" || a.kind === "bare") && a.per === null,
  );
  const room = isCooling
    ? (levels.find(
        (a) => ROOM.test(told.story.slice(a.sentence.start, a.start)) || /^\s*(?:room|air|outside)/i.test(a.after),
      ) ?? null)
    : null;
  const [start, later] = pairs(
    levels.filter((a) => a !== room),
    moments,
  );
  if (!start || !later?.moment || (isCooling && !room)) return null;
  return draftOf(told, { start, later: { level: later.level, moment: later.moment }, room });
}

/** The first two levels, each with the moment nearest to it. */
function pairs(levels: readonly Amount[], moments: readonly Amount[]): (Reading | undefined)[] {
  const free = [...moments];
  const [first, second] = levels;
  if (!first || !second) return [];
  const near = (a: Amount) => {
    const own = free
      .filter((m) => m.sentence === a.sentence)
      .sort((x, y) => Math.abs(x.start - a.start) - Math.abs(y.start - a.start))[0];
    if (own) free.splice(free.indexOf(own), 1);
    return own ?? null;
  };
  if (free.length === 2 && free.every((m) => m.sentence === first.sentence) && first.sentence === second.sentence)
    return [
      { level: first, moment: free[0]! },
      { level: second, moment: free[1]! },
    ];
  const later = near(second);
  return [
    { level: first, moment: near(first) },
    { level: second, moment: later },
  ];
}

interface Course {
  readonly start: Reading;
  readonly later: { readonly level: Amount; readonly moment: Amount };
  readonly room: Amount | null;
}

function draftOf(told: Told, { start, later, room }: Course): Draft | null {
  const draft = new Draft();
  const isDated = later.moment.kind === "date";
  const time = isDated ? "year" : later.moment.unit!;
  const since = isDated && start.moment?.kind === "date" ? start.moment.value : null;
  if (isDated && since === null) return null;
  const span = since === null ? later.moment.value - (start.moment?.value ?? 0) : later.moment.value - since;
  const t = draft.name("t");
  draft.use(start.moment, later.moment);
  draft.variable({ name: t, unit: time, label: "time", from: 0, ...(since === null ? {} : { since }) }, start.level);
  const unit = start.level.unit ?? later.level.unit;
  const a = draft.given(start.level, ["a", "S"], unit, "at the start");
  const b = draft.given(later.level, ["b", "U"], unit, "at the second reading");
  const T = draft.number(span, ["T"], time, "time between the readings", later.moment);
  const r = room ? draft.given(room, ["r"], unit, "around it") : null;
  const text = r ? `${r} + (${a} - ${r}) ((${b} - ${r})/(${a} - ${r}))^(${t}/${T})` : `${a} (${b}/${a})^(${t}/${T})`;
  const label = room ? "temperature" : start.level.kind === "count" ? plural(unit ?? "thing") : "amount";
  const f = draft.formula(
    { name: draft.name(room ? "H" : "N", "A"), unit, label },
    t,
    text,
    hull([start.level, later.level]),
  );
  for (const ask of told.asks) askCourse(draft, ask, f, { time, unit, since });
  return draft;
}

function askCourse(
  draft: Draft,
  ask: Told["asks"][number],
  f: string,
  { time, unit, since }: { time: string; unit: string | null; since: number | null },
): void {
  draft.use(...ask.amounts);
  const moment = ask.amounts.find(
    (a) => (a.kind === "time" && isTimeUnit(a.unit)) || (a.kind === "date" && since !== null),
  );
  const level = ask.amounts.find((a) => a !== moment && a.kind !== "times");
  if (ask.intent === "multiply" && ask.factor !== null)
    draft.ask({ ask: "multiply", function: f, factor: ask.factor }, ask);
  else if (moment)
    draft.ask(
      {
        ask: "value",
        function: f,
        at: moment.kind === "date" ? moment.value - since! : (inUnit(moment, time) ?? moment.value),
      },
      ask,
    );
  else if (level) draft.ask({ ask: "reach", function: f, value: levelIn(level, unit) }, ask);
}
