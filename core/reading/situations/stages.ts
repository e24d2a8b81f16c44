import { re } from "../pattern";
import type { PieceRow } from "../../model";
import type { Amount } from "../amount";
import type { Ask } from "../asks";
import { Draft } from "../draft";
import { hull, type Span } from "../text";
import type { Told } from "../told";
import { inUnit } from "./measure";

/** A stretch of a ride: from which speed to which, and how long. */
interface Stage extends Span {
  readonly kind: "faster" | "steady" | "slower";
  readonly amounts: readonly Amount[];
}

const FASTER = re("gi")`
    \b(?:accelerat\w*|speeds? up|gains? speed|picks? up speed|gets? faster|its speed (?:grows|rises|
    increases)|starts? (?:off )?(?:by|with) speeding)\b`;
const STEADY = re("gi")`
    \b(?:keeps?|holds?|stays? at|constant|steady|steadily|evenly|cruis\w*|at this speed|that speed|then at|
    travels? (?:on )?at|rides? (?:on )?at|walks? at|cycles? at|drives? at|runs? at|goes (?:on )?at|
    moves? at|glides? (?:on )?at)\b`;
const SLOWER = re("gi")`
    \b(?:brak\w*|slows? down|slow(?:s|ing)\b|decelerat\w*|loses? speed|comes? to (?:rest|a stop|
    a halt)|until it (?:rests|stops|stands))\b`;

/** A ride in stages: faster, steady, slower; its speed by pieces, and the way as its running total. */
export function stages(told: Told): Draft | null {
  const found = stagesOf(told);
  if (found.length < 2 && !(found[0]?.kind === "slower" && found[0].amounts.length > 1)) return null;
  const isMetric = (a: Amount) =>
    a.unit === "m/s" ||
    a.unit === "km/h" ||
    a.unit === "m/s^2" ||
    a.unit === "ft/s" ||
    a.unit === "mi/h" ||
    a.unit === "ft/s^2";
  if (!found.some((s) => s.amounts.some(isMetric))) return null;
  return draftOf(told, found);
}

/** The stages in their order: each from its word to the next one's. */
function stagesOf({ story, stated }: Told): Stage[] {
  const words = [
    ...[...story.matchAll(FASTER)].map((m) => ({ kind: "faster" as const, at: m.index, end: m.index + m[0].length })),
    ...[...story.matchAll(STEADY)].map((m) => ({ kind: "steady" as const, at: m.index, end: m.index + m[0].length })),
    ...[...story.matchAll(SLOWER)].map((m) => ({ kind: "slower" as const, at: m.index, end: m.index + m[0].length })),
  ].sort((a, b) => a.at - b.at);
  // "brakes until it stops" is one stage: a word of the kind before it with no number between begins none.
  const kept = words.filter((w, i) => {
    const before = words[i - 1];
    if (!before) return true;
    const hasNumber = stated.some((a) => a.start >= before.at && a.end <= w.at);
    return (
      w.kind !== before.kind ||
      (w.kind === "steady" && hasNumber && /[.;,]|\band\b|\bthen\b/.test(story.slice(before.end, w.at)))
    );
  });
  return kept.flatMap((w, i) => {
    const from = i === 0 ? Math.max(0, story.lastIndexOf(".", w.at) + 1) : startBefore(story, kept[i - 1]!.end, w.at);
    const next = kept[i + 1];
    const to = next ? startBefore(story, w.end, next.at) : story.length;
    const amounts = stated.filter((a) => a.start >= from && a.end <= to);
    return amounts.length === 0 && w.kind !== "slower"
      ? []
      : [{ kind: w.kind, amounts, start: w.at, end: amounts[amounts.length - 1]?.end ?? w.end }];
  });
}
/** Where the clause of a stage begins: after the last sign or joint before its word. */
function startBefore(story: string, from: number, at: number): number {
  const text = story.slice(from, at);
  const joints = [...text.matchAll(/[,;.]\s|\band\b|\bthen\b|\bbefore\b/g)];
  return joints.length > 0 ? from + joints[joints.length - 1]!.index : from;
}

interface Ride {
  readonly draft: Draft;
  /** unit of speed, and what one of its times and lengths is */
  readonly speed: string;
  readonly time: string;
  readonly length: string;
  readonly t: string;
}

/** Speed and time as formula texts, and as numbers. */
interface State {
  readonly text: string;
  readonly value: number;
}
/** Sums as formula text, without a zero. */
const plus = (a: string, b: string): string => (a === "0" ? b : `${a} + ${b}`);
const minus = (a: string, b: string): string => (a === "0" ? `-${b}` : `${a} - ${b}`);

function draftOf(told: Told, found: readonly Stage[]): Draft | null {
  const draft = new Draft();
  const all = found.flatMap((s) => s.amounts);
  const speed =
    all.find((a) => a.unit === "km/h" || a.unit === "mi/h" || a.unit === "ft/s" || a.unit === "m/s")?.unit ?? "m/s";
  const ride: Ride = {
    draft,
    speed,
    time: speed === "km/h" || speed === "mi/h" ? "h" : "s",
    length: speed.split("/")[0]!,
    t: draft.name("t"),
  };
  let at: State = { text: "0", value: 0 };
  let pace: State = initial(told, ride, found[0]!);
  const pieces: PieceRow[] = [];
  for (const stage of found) {
    const next = pieceOf(ride, stage, at, pace, told);
    if (!next) return null;
    pieces.push({ text: next.text, from: at.text === "0" ? 0 : at.text, to: next.at.text, ends: "[)" });
    at = next.at;
    pace = next.pace;
  }
  pieces[pieces.length - 1]!.ends = "[]";
  draft.put({
    kind: "variable",
    from: found[0]!,
    row: { name: ride.t, unit: ride.time, label: "time", from: 0, to: at.text },
  });
  const span = hull(found);
  const v = draft.by({ name: draft.name("v"), unit: speed, label: "speed" }, ride.t, { kind: "pieces", pieces }, span);
  const s = draft.by(
    { name: draft.name("s"), unit: ride.length, label: "way" },
    ride.t,
    { kind: "total", function: v, from: 0 },
    span,
  );
  for (const ask of told.asks) askRide(ride, ask, { v, s, end: at.text });
  return draft;
}

/** The speed it begins with: rest, where nothing says otherwise. */
function initial(told: Told, ride: Ride, first: Stage): State {
  const from =
    first.kind === "faster"
      ? first.amounts.find((a) => /\bfrom\s*$/i.test(a.before) && a.unit === ride.speed)
      : first.kind === "slower"
        ? first.amounts.find((a) => a.unit === ride.speed)
        : null;
  const before =
    told.stated.find((a) => a.end <= first.start && a.unit === ride.speed && first.kind === "slower") ?? null;
  const start = from ?? before;
  return start
    ? { text: ride.draft.given(start, ["v0"], ride.speed, "speed at the start"), value: start.value }
    : { text: "0", value: 0 };
}

/** One stage as a piece of the speed, with the time it ends at and the speed it ends with. */
function pieceOf(
  ride: Ride,
  stage: Stage,
  at: State,
  pace: State,
  told: Told,
): { text: string; at: State; pace: State } | null {
  const { draft, t } = ride;
  const own = stage.amounts.filter((a) => !draft.used.has(a));
  const time = own.find((a) => a.kind === "time") ?? null;
  const since = at.text === "0" ? t : `(${t} - ${paren(at.text)})`;
  if (stage.kind === "steady") {
    const speed = own.find((a) => a.unit === ride.speed) ?? null;
    const kept = speed
      ? { text: draft.given(speed, ["w", "u", "z"], ride.speed, "steady speed"), value: speed.value }
      : pace;
    if (!time) return null;
    const end = endOf(ride, time, at, told);
    return end && { text: kept.text, at: end, pace: kept };
  }
  const isFaster = stage.kind === "faster";
  const rate = rateOf(ride, own, isFaster);
  const target = targetOf(ride, own, rate?.amount ?? null, isFaster);
  if (rate) {
    const duration = time && time !== rate.amount ? endOf(ride, time, at, told) : null;
    const until = duration ?? after(at, target, pace, rate, isFaster);
    if (!until) return null;
    const change = (time: string) =>
      isFaster ? plus(pace.text, `${rate.text} ${time}`) : minus(pace.text, `${rate.text} ${time}`);
    const piece = change(since);
    const reached = {
      text: change(at.text === "0" ? paren(until.text) : `(${minus(until.text, paren(at.text))})`),
      value: pace.value + (isFaster ? 1 : -1) * rate.value * (until.value - at.value),
    };
    return {
      text: piece,
      at: until,
      pace: Math.abs(reached.value) < 1e-9 ? { text: "0", value: 0 } : target && !duration ? target : wrap(reached),
    };
  }
  if (!time) return null;
  const goal = target ?? (isFaster ? null : { text: "0", value: 0 });
  const end = endOf(ride, time, at, told);
  if (!goal || !end) return null;
  const lasts = paren(at.text === "0" ? end.text : minus(end.text, paren(at.text)));
  const rise = `(${minus(goal.text, pace.text)})`;
  const even = goal.text === "0" ? minus(pace.text, `${pace.text} ${since}/${lasts}`) : null;
  const text = even ?? plus(pace.text, `${pace.text === "0" ? goal.text : rise} ${since}/${lasts}`);
  return { text, at: end, pace: goal };
}
const paren = (text: string): string => (/^[\w.]+$|^\(.*\)$/.test(text) ? text : `(${text})`);
const wrap = (s: State): State => ({ ...s, text: paren(s.text) });

/** How fast the speed changes: "by 0.2 m/s every second", "at 3 m/s²". */
function rateOf(
  ride: Ride,
  own: readonly Amount[],
  isFaster: boolean,
): { text: string; value: number; amount: Amount } | null {
  const rate = own.find(
    (a) =>
      a.unit === "m/s^2" || a.unit === "ft/s^2" || (a.unit === ride.speed && a.per !== null && a.per === ride.time),
  );
  if (!rate) return null;
  const unit = rate.unit === ride.speed ? `${ride.speed.split("/")[0]!}/s^2` : rate.unit;
  const text = ride.draft.given(rate, isFaster ? ["a"] : ["b", "d"], unit, isFaster ? "speeding up" : "slowing down");
  return { text, value: rate.value, amount: rate };
}
/** The speed it gets to: "to 20 m/s"; nothing for what stops. */
function targetOf(ride: Ride, own: readonly Amount[], rate: Amount | null, isFaster: boolean): State | null {
  const target = own.find((a) => a !== rate && a.unit === ride.speed && !ride.draft.used.has(a));
  if (!target) return isFaster ? null : { text: "0", value: 0 };
  return { text: ride.draft.given(target, ["w", "u", "z"], ride.speed, "speed it gets to"), value: target.value };
}
/** When a speed is got to at a rate. */
function after(at: State, target: State | null, pace: State, rate: State, isFaster: boolean): State | null {
  if (!target) return null;
  const gap =
    target.text === "0"
      ? pace.text
      : pace.text === "0"
        ? target.text
        : isFaster
          ? `(${target.text} - ${pace.text})`
          : `(${pace.text} - ${target.text})`;
  const value = at.value + Math.abs(target.value - pace.value) / rate.value;
  return { text: `${at.text === "0" ? "" : `${at.text} + `}${gap}/${rate.text}`, value };
}

/** When a stage ends: so long after it began, or a moment counted from the start. */
function endOf(ride: Ride, time: Amount, at: State, told: Told): State | null {
  const value = inUnit(time, ride.time);
  if (value === null) return null;
  const isMoment =
    /\buntil\b[^,.;]*$/i.test(told.story.slice(time.sentence.start, time.start)) &&
    /\b(?:have passed|passed|after the start|from the start|mark|since)/i.test(time.after);
  const count = ride.draft.offers.filter((o) => o.kind === "given" && /^T\d$/.test(o.row.name)).length;
  ride.draft.use(time);
  const name = ride.draft.number(
    value,
    [`T${count + 1}`],
    ride.time,
    isMoment ? "moment of the next stage" : "how long a stage lasts",
    time,
  );
  if (isMoment) return { text: name, value };
  return { text: at.text === "0" ? name : `${at.text} + ${name}`, value: at.value + value };
}

function askRide(
  { draft, length, speed, time }: Ride,
  ask: Ask,
  { v, s, end }: { v: string; s: string; end: string },
): void {
  draft.use(...ask.amounts);
  const distance = ask.amounts.find((a) => a.unit === length) ?? null;
  const moment = ask.amounts.find((a) => a.kind === "time") ?? null;
  const level = ask.amounts.find((a) => a.unit === speed) ?? null;
  const at = moment ? inUnit(moment, time) : null;
  const isWay = /\b(?:how far|distance|way|metres|meters|gone|travel\w*|cover\w*)\b/i.test(ask.text);
  if (ask.intent === "average") draft.ask({ ask: "average", function: v, between: [0, at ?? end] }, ask);
  else if (distance) draft.ask({ ask: "reach", function: s, value: distance.value }, ask);
  else if (level) draft.ask({ ask: "reach", function: v, value: level.value }, ask);
  else if (/\bhow (?:high|deep|far)\b/i.test(ask.text))
    draft.ask({ ask: "total", function: v, between: [0, end] }, ask);
  else if (ask.intent === "greatest") draft.ask({ ask: "greatest", function: v }, ask);
  else if (at !== null) draft.ask({ ask: "value", function: isWay ? s : v, at }, ask);
  else if (ask.intent === "total" || isWay) draft.ask({ ask: "total", function: v, between: [0, end] }, ask);
  else if (ask.intent === "zero" || /\bhow long|when\b/i.test(ask.text))
    draft.ask({ ask: "reach", function: v, value: 0 }, ask);
}
