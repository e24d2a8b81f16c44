import type { CaseFile } from "../model";
import { analyse } from "../question";
import { assembled, isSound } from "./assemble";
import type { Offered } from "../story";
import type { Draft } from "./draft";
import { business } from "./situations/business";
import { crowding } from "./situations/crowding";
import { flows } from "./situations/flows";
import { formulas } from "./situations/formulas";
import { growth } from "./situations/growth";
import { launch } from "./situations/launch";
import { movers } from "./situations/movers";
import { options } from "./situations/options";
import { plan } from "./situations/plan";
import { series } from "./situations/series";
import { stages } from "./situations/stages";
import { twoReadings } from "./situations/twoReadings";
import { toldIn, type Situation, type Told } from "./told";
import { notesOf } from "./wording";

/** What a story offers, and what is unsure about it. */
interface Reading {
  readonly offers: readonly Offered[];
  readonly notes: readonly string[];
}

/** Longer texts are read up to here: a word problem is a page at most. */
export const MOST_READ = 20_000;

/** The situations a story can be about; where two fit alike, the earlier one is meant. */
const SITUATIONS: readonly Situation[] = [
  formulas,
  launch,
  flows,
  stages,
  movers,
  plan,
  growth,
  twoReadings,
  series,
  crowding,
  business,
  options,
];

/** Reads a story in English: what it would add to an empty case, and what it leaves out. */
export function readStory(story: string): Reading {
  const told = toldIn(story.slice(0, MOST_READ));
  const drafts = SITUATIONS.flatMap((situation) => situation(told) ?? []).filter((d) => isWorthOffering(d, told));
  const ranked = drafts.map((d) => ({ d, worth: worthOf(d, told) })).sort((a, b) => b.worth - a.worth);
  const best = ranked.find(({ d }) => isReasonable(assembled(story, d.offers)))?.d ?? null;
  return { offers: best?.offers ?? [], notes: notesOf(told, best) };
}

/** How much of a story a draft explains: what it asks counts most, then its numbers. */
function worthOf(d: Draft, told: Told): number {
  const sells = /\b(?:profit|break[- ]?even|sell|sold|earns?)\b/i;
  const hasProfit = d.offers.some((o) => o.kind === "function" && o.row.label === "profit");
  const fits = hasProfit && told.asks.some((a) => sells.test(a.text)) ? 0.3 : 0;
  const numbers = told.amounts.filter((a) => a.kind !== "times" && a.kind !== "date").length;
  return fits + 2 * (d.answered.size / Math.max(1, told.asks.length)) + d.used.size / Math.max(1, numbers);
}
/** A given by itself is no reading of a story, nor is one that answers nothing of what it asks. */
const isWorthOffering = (d: Draft, told: Told): boolean =>
  d.used.size > 0 &&
  (d.answered.size > 0 || isOfPlan(d) || !told.sentences.some((s) => s.asks)) &&
  d.offers.some((o) => o.kind === "function" || o.kind === "constraint");

/** A best value without bound was never what a story asked for: it was understood wrongly then. */
function isReasonable(made: CaseFile): boolean {
  if (!isSound(made)) return false;
  const best = (made.questions ?? []).filter((q) => q.ask === "greatest" || q.ask === "least");
  if (best.length === 0) return true;
  const { findings } = analyse({ ...made, questions: best });
  return !findings.some((f) => "bound" in f && f.bound !== null && f.bound.value === null);
}

/** A plan is asked for by its goal. */
const isOfPlan = (d: Draft): boolean => d.offers.some((o) => o.kind === "objective");

/** The case that a story makes with every offer taken, and what was left out. */
export function caseOfStory(story: string): CaseFile & { readonly notes: readonly string[] } {
  const { offers, notes } = readStory(story);
  return { ...assembled(story, offers), notes };
}
