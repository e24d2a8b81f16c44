import { MONTH_NAMES, dateOf, dayOf, readIso } from "../calendar";
import { countFrom, type CountUnit } from "../data";
import type { CaseFile, FunctionRow, Variable } from "../model";
import type { Offered } from "../story";
import { plural } from "../units";
import type { Amount } from "./amount";
import { DAY, type Ask } from "./asks";
import { Draft } from "./draft";
import { askAbout, namedIn } from "./situations/formulaAsks";
import { toldIn, type Told } from "./told";
import { notesOf } from "./wording";

/**
 * What a story asks about functions that somebody has put on the desk: questions, and nothing else. Where it is not
 * plain which function is meant, nothing is offered.
 */
export function askedOfDesk(source: CaseFile, story: string): { offers: readonly Offered[]; notes: readonly string[] } {
  const told = toldIn(story);
  const draft = new Draft();
  const functions = (source.functions ?? []).filter((f) => f.shown !== false);
  const named = (of: string) => source.variables?.find((v) => v.name === of);
  for (const ask of told.asks) {
    const f = meantBy(ask, functions, story);
    if (!f) continue;
    const variable = named(f.of);
    const dated = variable && datedIn(ask, variable, told);
    if (dated) draft.ask({ ask: "value", function: f.name, at: dated.at }, ask);
    else askAbout(draft, ask, functions, f, (a, of) => isOf(a, named(of)));
    if (draft.answered.has(ask.start)) draft.use(...ask.amounts);
  }
  return { offers: draft.offers, notes: notesOf(told, draft) };
}

/** The function an ask names, or whose unit its number has, or the only one there is that the story speaks of. */
function meantBy(ask: Ask, functions: readonly FunctionRow[], story: string): FunctionRow | null {
  const named = namedIn(ask.text, functions);
  if (named || ask.intent === "break-even") return named;
  const spoken = functions.filter((f) => isSpokenOf(f, story));
  const ofUnit = spoken.filter((f) => f.unit && ask.amounts.some((a) => a.unit === f.unit));
  const [only, ...others] = ofUnit.length > 0 ? ofUnit : spoken;
  return only && others.length === 0 ? only : null;
}

/** Letters from which on a word of a meaning says something. */
const TELLING = 4;
/** Whether a word of a function's meaning, or what it counts, stands in a story. */
function isSpokenOf({ label = "", unit = "" }: FunctionRow, story: string): boolean {
  const words = label.toLowerCase().match(/\p{L}+/gu) ?? [];
  const told = story.toLowerCase();
  return [...words, unit, plural(unit)].some((word) => word.length >= TELLING && told.includes(word));
}

/** An amount in the unit of a variable. */
const isOf = (a: Amount, v: Variable | undefined): boolean => v?.unit !== undefined && a.unit === v.unit;

const COUNTED: readonly CountUnit[] = ["day", "week", "month", "year"];
/** A day of the calendar, told without its year, as the count that a variable since a date reads there. */
function datedIn(ask: Ask, variable: Variable, { story }: Told): { readonly at: number } | null {
  const m = DAY.exec(story.slice(ask.start, ask.end));
  const since = readIso(String(variable.since ?? ""));
  const unit = COUNTED.find((u) => u === (variable.unit ?? "day"));
  if (!m || since === null || !unit) return null;
  const [day, month] = [Number(m[1] ?? m[4]), MONTH_NAMES.indexOf((m[2] ?? m[3])!) + 1];
  const { year } = dateOf(since);
  const days = m[5]
    ? dayOf(Number(m[5]), month, day)
    : [year, year + 1].map((y) => dayOf(y, month, day)).find((d) => d !== null && d >= since);
  if (days === null || days === undefined) return null;
  const [at] = countFrom([days], "date", { unit, since: String(variable.since) });
  return at === null || at === undefined ? null : { at };
}
