import { estimateWords, formatNumber } from "../explain";
import type { Model } from "../model";
import { jumpsOf, roomOf, setAsideOf, solutionsOf, type AnyAnswer, type Card } from "../question";

/** How sure an answer is, what was set aside, what to look at: a short note beside a finding. */
export interface Chip {
  readonly tone: "sure" | "aside" | "open";
  readonly text: string;
}

/** Set-aside places told one by one. */
const MAX_ASIDE = 3;

/** How sure an answer is, and what stands beside it. */
export function chipsOf(f: AnyAnswer, model: Model, card: Card): Chip[] {
  return [
    ...estimated(f),
    ...surety(f, rangeWords(f, model, card), card),
    ...secondWay(f),
    ...aside(f, card),
    ...beyondData(f, model),
  ];
}

/** " on 0 … 250", of a range with both ends. */
function rangeWords({ about }: AnyAnswer, model: Model, card: Card): string {
  const variable = model.variables.get(about.variable);
  return variable?.from && variable.to && about.from !== null && about.to !== null
    ? ` on ${card.end(about.from)} … ${card.end(about.to)}`
    : "";
}

function estimated(f: AnyAnswer): Chip[] {
  if (!("estimate" in f) || !f.estimate) return [];
  return [
    f.estimate.beyond === 0
      ? { tone: "sure", text: "inside the data" }
      : { tone: "open", text: "an estimate beyond the data" },
  ];
}

function surety(f: AnyAnswer, on: string, card: Card): Chip[] {
  if (f.complete) {
    const text = roomOf(f).surety(f, on);
    return text === null ? [] : [{ tone: "sure", text }];
  }
  if (f.status === "unsettled") return [{ tone: "open", text: "not settled" }];
  const searched = "searched" in f ? f.searched : null;
  if (!searched) return [{ tone: "open", text: "not proven complete" }];
  const [from, to] = [card.end(searched.from), card.end(searched.to)];
  return [{ tone: "open", text: `searched ${from} … ${to} only` }];
}

function secondWay({ secondWay: second }: AnyAnswer): Chip[] {
  if (!second) return [];
  return [
    second.agrees
      ? { tone: "sure", text: "two methods agree" }
      : { tone: "open", text: `a second method differs by ${formatNumber(second.difference, 3)}` },
  ];
}

function aside(f: AnyAnswer, card: Card): Chip[] {
  const all = setAsideOf(f);
  const told = all.slice(0, MAX_ASIDE).map(({ at, below }): Chip => ({
    tone: "aside",
    text: `${card.input(at, 5)} set aside: ${below ? "below" : "over"} the limit`,
  }));
  if (all.length > MAX_ASIDE)
    told.push({ tone: "aside", text: `${all.length - MAX_ASIDE} more set aside outside the range` });
  const [jump] = jumpsOf(f);
  if (jump !== undefined && solutionsOf(f).length === 0)
    told.push({ tone: "aside", text: `a jump at ${card.input(jump)} is no answer` });
  return told;
}

/** Answers of functions that come from data, where they lie beyond the rows. */
function beyondData(f: AnyAnswer, model: Model): Chip[] {
  const solutions = solutionsOf(f);
  if ("given" in f || ("estimate" in f && f.estimate) || solutions.length === 0) return [];
  const { variable } = f.about;
  const fits = [...fittedUnder(f.about.functions, model)].flatMap((name) => {
    const fit = model.fits.get(name);
    return fit && model.functions.get(name)?.of === variable ? [fit] : [];
  });
  if (fits.length === 0) return [];
  const [from, to] = [Math.min(...fits.map((k) => k.from)), Math.max(...fits.map((k) => k.to))];
  const off = solutions.map((s) => (s.at > to ? s.at - to : s.at < from ? s.at - from : 0)).filter((v) => v !== 0);
  if (off.length === 0) return [{ tone: "sure", text: "inside the data" }];
  const far = off.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
  const unit = model.variables.get(variable)?.unit ?? null;
  return [{ tone: "open", text: estimateWords(Number(far.toPrecision(4)), unit) }];
}

/** The fitted functions that some functions are made of. */
function fittedUnder(names: readonly string[], model: Model, seen = new Set<string>()): Set<string> {
  for (const name of names) {
    if (seen.has(name)) continue;
    seen.add(name);
    fittedUnder(model.functions.get(name)?.uses.filter((u) => model.functions.has(u)) ?? [], model, seen);
  }
  return seen;
}
