import type { Amount } from "../amount";
import type { Ask } from "../asks";
import { Draft } from "../draft";
import { re } from "../pattern";
import { isTimeUnit } from "../spokenUnits";
import { hull } from "../text";
import { clauseBefore, type Told } from "../told";
import { inUnit } from "./measure";

const IN = re("i")`
  \b(?:fill(?:s|ed|ing)?|pump\w* in\w*|flows? in\w*|runs? in\w*|pour\w*|feed\w*|adds?|brings? in)\b`;
const OUT = re("i")`
  \b(?:leak\w*|drain\w*|flows? out|runs? out|los\w+|evaporat\w*|seep\w*|us(?:es|ed)|takes? out|pump\w* out)\b`;
const ROOM = /\b(?:holds?|capacity|room for|can hold|full at|takes?)\b[^.;]*$/i;
const THERE = /\b(?:already|at first|begins? with|starts? with|contains?|there (?:are|is)|now|still)\b/i;
const FULL = /\b(?:fill|full|overflow\w*)\b/i;
const EMPTY = /\b(?:empty|dry|nothing left)\b/i;

/** One thing that fills and empties at once, evenly: "filled at 12 L a minute, leaks 3 L a minute". */
export function flows(told: Told): Draft | null {
  const rates = told.stated.filter((a) => a.kind === "measure" && a.per !== null && isTimeUnit(a.per));
  const inward = rates.find((a) => IN.test(clauseBefore(a, told.story)));
  // "3 L a minute seep away": what it does may stand behind it too.
  const about = (a: Amount) => `${clauseBefore(a, told.story)} ${a.after.split(/[.,;]/)[0]}`;
  const outward = rates.find((a) => a !== inward && OUT.test(about(a)));
  if (!inward || !outward || rates.length > 2 || inward.per !== outward.per) return null;
  const loss = inUnit(outward, inward.unit);
  if (loss === null || /\b(?:another|other|second) (?:tank|pool|basin|barrel|pond)\b/i.test(told.story)) return null;
  const levels = told.stated.filter((a) => a.kind === "measure" && a.per === null && inUnit(a, inward.unit) !== null);
  const there = levels.find((a) => THERE.test(about(a))) ?? null;
  const room = levels.find((a) => a !== there && ROOM.test(told.story.slice(a.sentence.start, a.start))) ?? null;
  const draft = new Draft();
  const [unit, per] = [inward.unit!, `${inward.unit}/${inward.per}`];
  const a = draft.given(inward, ["a", "f"], per, "flows in");
  draft.use(outward);
  const b = draft.number(loss, ["b", "g"], per, "flows out", outward);
  const u = there ? draft.number(inUnit(there, unit)!, ["u", "w"], unit, "there at first", there) : null;
  draft.use(there);
  const t = draft.name("t");
  draft.variable({ name: t, unit: inward.per!, label: "time", from: 0 }, null);
  const text = `${u === null ? "" : `${u} + `}(${a} - ${b}) ${t}`;
  const f = draft.formula({ name: draft.name("A", "V"), unit, label: "amount" }, t, text, hull([inward, outward]));
  for (const ask of told.asks) askFlow(draft, ask, { f, unit, per: inward.per!, room });
  return draft;
}

interface Flow {
  readonly f: string;
  readonly unit: string;
  readonly per: string;
  readonly room: Amount | null;
}
function askFlow(draft: Draft, ask: Ask, { f, unit, per, room }: Flow): void {
  const at = ask.amounts.find((a) => a.kind === "time");
  const level = ask.amounts.find((a) => a.kind === "measure");
  draft.use(...ask.amounts);
  const time = at && inUnit(at, per);
  if (level) draft.ask({ ask: "reach", function: f, value: inUnit(level, unit) ?? level.value }, ask);
  else if (time !== undefined && time !== null) draft.ask({ ask: "value", function: f, at: time }, ask);
  else if (room && FULL.test(ask.text)) {
    draft.use(room);
    draft.ask({ ask: "reach", function: f, value: inUnit(room, unit)! }, ask);
  } else if (EMPTY.test(ask.text)) draft.ask({ ask: "reach", function: f, value: 0 }, ask);
}
