import { re } from "../pattern";
import type { Amount } from "../amount";
import type { Ask } from "../asks";
import { Draft } from "../draft";
import { hull, type Span } from "../text";
import type { Told } from "../told";
import { inUnit, levelIn } from "./measure";

const THROWN = re("i")`
    \b(?:thrown|throws?|threw|launch\w*|fired?|fires|kick\w*|hit|tossed|toss\w*|shot|shoots?|
    hurl\w*|jump\w*|leaps?|dives?|dropped|drops?|falls? from|fell from|let go|released|projected|
    bounc\w*|leaves the ground|rocket|arrow|catapult\w*|firework|spout\w*|sprays?)\b`;
const DROPPED = /\b(?:dropped|drops?|let go|released|falls?|fell|lets? (?:it|a \w+) (?:go|fall))\b/i;
const DOWNWARD = /\b(?:down(?:ward\w*)?|straight down)\b/i;
const GRAVITY = /\bgravit|\bg\s*=|\bacceleration due/i;
/** Standard gravity as the schools of each measure use it. */
const G = { m: 9.81, ft: 32 } as const;

/** A thing that is thrown up or dropped: its height from where it starts, its speed at the start, and gravity. */
export function launch(told: Told): Draft | null {
  const speed =
    told.amounts.find((a) => a.unit === "m/s" || a.unit === "ft/s" || (a.unit === "km/h" && THROWN.test(told.story))) ??
    null;
  const thrown = told.sentences.find((s) => THROWN.test(s.text));
  if (!thrown || told.story.search(/\b(?:met(?:re|er)s?|feet|foot|m|ft|cm|km\/h|m\/s|ft\/s)\b/i) < 0) return null;
  if (!speed && !DROPPED.test(told.story)) return null;
  if (told.amounts.some((a) => a.kind === "percent" || a.kind === "money")) return null;
  const isFeet = speed?.unit === "ft/s" || (!speed && told.amounts.some((a) => a.unit === "ft"));
  const unit = isFeet ? "ft" : "m";
  const start = startOf(told, unit, speed);
  if (!speed && !start) return null;
  return draftOf(told, { speed, start, unit, thrown });
}

/** The height it starts from: a length told before it is asked about, that is not where it should get to. */
function startOf(told: Told, unit: string, speed: Amount | null): Amount | null {
  const lengths = told.stated.filter((a) => (a.unit === unit || a.unit === "cm") && a !== speed && a.limit === null);
  const sure = lengths.find(
    (a) => /^\s*(?:above|over|high|tall|up)\b/i.test(a.after) || /\b(?:from|of|height|above)\b[^,.;]*$/i.test(a.before),
  );
  return sure ?? lengths[0] ?? null;
}

interface Throw {
  readonly speed: Amount | null;
  readonly start: Amount | null;
  readonly unit: "m" | "ft";
  readonly thrown: Span;
}

function draftOf(told: Told, { speed, start, unit, thrown }: Throw): Draft {
  const draft = new Draft();
  const t = draft.name("t");
  draft.variable({ name: t, unit: "s", label: "time", from: 0 }, speed ?? start);
  const h0 = start ? heightGiven(draft, start, unit) : null;
  const v0 = speed ? speedGiven(draft, speed) : null;
  const told9 = told.stated.find(
    (a) =>
      (a.unit === "m/s^2" || a.unit === "ft/s^2" || a.kind === "bare") &&
      GRAVITY.test(told.story.slice(a.sentence.start, a.sentence.end)),
  );
  const g = told9
    ? draft.given(told9, ["g"], `${unit}/s^2`, "gravity")
    : draft.number(G[unit], ["g"], `${unit}/s^2`, "gravity", null);
  if (!told9) draft.notes.push(`Gravity is taken as ${G[unit]} ${unit}/s²: the story does not tell it.`);
  const down = speed !== null && DOWNWARD.test(told.story.slice(speed.sentence.start, speed.sentence.end)) ? "-" : "+";
  const up = v0 === null ? "" : `${h0 === null && down === "+" ? "" : ` ${down} `}${v0} ${t}`;
  const text = `${h0 ?? ""}${up} - (1/2) ${g} ${t}^2`.trim();
  const from = hull([speed, start].filter((a): a is Amount => a !== null));
  const h = draft.formula({ name: draft.name("h", "y"), unit, label: "height" }, t, text, from);
  const v = draft.by(
    { name: draft.name("v"), unit: `${unit}/s`, label: "speed upward" },
    t,
    { kind: "slope", function: h },
    thrown,
  );
  for (const ask of told.asks) askThrow(draft, ask, h, v, told);
  return draft;
}
function heightGiven(draft: Draft, start: Amount, unit: string): string {
  if (start.unit !== "cm") return draft.given(start, ["h0", "H"], unit, "height at the start");
  draft.use(start);
  return draft.number(Number((start.value / 100).toPrecision(12)), ["h0", "H"], unit, "height at the start", start);
}
function speedGiven(draft: Draft, speed: Amount): string {
  if (speed.unit !== "km/h") return draft.given(speed, ["v0", "u"], speed.unit, "speed at the start");
  draft.use(speed);
  return draft.number(speed.value / 3.6, ["v0", "u"], "m/s", "speed at the start", speed);
}

const HIGHEST = re("i")`
  \b(?:how high\b(?!.*\b(?:after|at|above)\b)|what height|highest|greatest|maximum|top|peak|
  turns? (?:round|back|around))`;

function askThrow(draft: Draft, ask: Ask, h: string, v: string, told: Told): void {
  const span = () => {
    draft.use(...ask.amounts);
    return ask;
  };
  const time = ask.amounts.find((a) => a.kind === "time");
  const level = ask.amounts.find((a) => a.unit === "m" || a.unit === "ft") ?? null;
  const at = time ? inUnit(time, "s") : null;
  const isFast = /\b(?:how fast|speed|velocity|how quickly)\b/i.test(ask.text);
  const isLanding = re("i")`
      \b(?:ground|water|river|floor|sea|lake|earth|pool|bottom|land\w*|hits?|splash|grass|pond|sand|
      snow|comes? down|in the air|strikes?)\b`.test(ask.text);
  const before = draft.last;
  if (ask.intent === "then" && before)
    draft.ask({ ask: "value", function: isFast ? v : h, at: { of: before.id } }, span());
  else if (at !== null && ask.intent === "average")
    draft.ask({ ask: "rate", function: h, between: betweenTimes(ask, at) }, span());
  else if (at !== null) draft.ask({ ask: "value", function: isFast ? v : h, at }, span());
  else if (isFast && !isLanding && ask.amounts.length === 0 && before?.ask === "reach")
    draft.ask({ ask: "value", function: v, at: { of: before.id } }, span());
  else if (isFast && (isLanding || ask.intent === "zero"))
    draft.ask({ ask: "value", function: v, at: { of: landing(draft, ask, h) } }, span());
  else if (isFast && level)
    draft.ask(
      {
        ask: "value",
        function: v,
        at: { of: draft.ask({ ask: "reach", function: h, value: levelIn(level, unitOf(draft, h)) }, span()) },
      },
      ask,
    );
  else if (HIGHEST.test(ask.text) && !level) draft.ask({ ask: "greatest", function: h }, span());
  else if (level) reachLevel(draft, ask, h, level);
  else if (isLanding || ask.intent === "zero" || /\bhow long\b/i.test(ask.text)) landing(draft, ask, h);
  else if (ask.intent === "greatest") draft.ask({ ask: "greatest", function: h }, span());
  else if (told.asks.length === 1) landing(draft, ask, h);
}
const unitOf = (draft: Draft, h: string): string | null => draft.unit(h) ?? null;
const landing = (draft: Draft, ask: Ask, h: string): string => draft.ask({ ask: "reach", function: h, value: 0 }, ask);

function betweenTimes(ask: Ask, at: number): [number, number] {
  const times = ask.amounts.filter((a) => a.kind === "time").map((a) => inUnit(a, "s")!);
  return times.length > 1 ? [times[0]!, times[1]!] : [0, at];
}

function reachLevel(draft: Draft, ask: Ask, h: string, level: Amount): void {
  draft.use(...ask.amounts);
  const value = levelIn(level, unitOf(draft, h));
  const below = /\b(?:below|under|lower than|less than)\b/i.test(ask.text);
  const above = /\b(?:above|over|higher than|more than|at least)\b/i.test(ask.text);
  if (above || below) {
    const relation = level.limit === ">=" ? ">=" : below ? "<" : ">";
    draft.ask({ ask: "where", function: h, relation, value }, ask);
  } else draft.ask({ ask: "reach", function: h, value }, ask);
}
