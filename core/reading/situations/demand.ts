import { re } from "../pattern";
import type { Amount } from "../amount";
import { COST, PRICE } from "../lexicon";
import type { Told } from "../told";
import { hull, type Span } from "../text";

/** "at $6 we sell 240": a price and how many go at it. */
export interface Reading extends Span {
  readonly price: Amount;
  readonly count: Amount;
}

/** "for every dollar more, 15 fewer": how the number follows the price. */
export interface Slope extends Span {
  readonly step: Amount | null;
  readonly stepValue: number;
  readonly count: Amount;
  /** fewer for one more of the money; negative where more come at a higher price */
  readonly fewer: number;
}

const SOLD = re("i")`
    \b(?:sell|sells|sold|selling|go|goes|went|buy|buys|bought|come|comes|came|attend\w*|visit\w*|
    order\w*|customers?|visitors?|passengers?|guests?|tickets?|demand|are sold|takes?|took|carri\w+|
    carry|rent\w*|members?|subscribers?|hire[sd]?)\b`;
/** Prices are a money for one thing, with a count within a few words of it. */
const NEAR = 60;

/** Prices with their counts, in the order of the story; each number belongs to one reading. */
export function readingsOf({ stated, story }: Told): Reading[] {
  const out: Reading[] = [];
  const taken = new Set<Amount>();
  stated.forEach((price, i) => {
    if (price.kind !== "money" || price.change !== null || taken.has(price) || !isPrice(price, story)) return;
    const all = /\ball\s+(?:the\s+|of\s+the\s+)?(\p{L}+)\b/iu.exec(price.after);
    const full = all
      ? stated.find(
          (c) =>
            !taken.has(c) && isCount({ ...c, limit: null }) && c.words.toLowerCase().endsWith(all[1]!.toLowerCase()),
        )
      : undefined;
    const near = [stated[i + 1], stated[i - 1]].filter(
      (c): c is Amount => c !== undefined && !taken.has(c) && isCount(c) && c.sentence === price.sentence,
    );
    const gap = (c: Amount) =>
      c.start > price.end ? story.slice(price.end, c.start) : story.slice(c.end, price.start);
    const fits = near.filter(
      (c) =>
        gap(c).length < NEAR &&
        !/;/.test(gap(c)) &&
        !COST.test(gap(c)) &&
        joins(gap(c), c.start > price.end, sold(price, story)),
    );
    const count = full ?? fits.sort((a, b) => gap(a).length - gap(b).length || a.start - b.start)[0];
    if (!count) return;
    taken.add(price).add(count);
    out.push({ price, count, ...hull([price, count]) });
  });
  return out;
}
const isCount = (a: Amount): boolean =>
  (a.kind === "count" || a.kind === "bare" || a.kind === "measure") && a.change === null && a.limit === null;
const isPrice = (a: Amount, story: string): boolean =>
  a.per === null ||
  PRICE.test(story.slice(a.sentence.start, a.sentence.end)) ||
  SOLD.test(story.slice(a.sentence.start, a.sentence.end));
const sold = (a: Amount, story: string): boolean => SOLD.test(story.slice(a.sentence.start, a.sentence.end));
/** Words between a price and its count: they sell something, or are hardly any. */
const joins = (gap: string, isPriceFirst: boolean, isSold: boolean): boolean =>
  SOLD.test(gap) ||
  (isSold && gap.length < 24) ||
  re("iu")`
    ^[\s,:(]*(?:(?:each|for|at|a price of|an evening at|and|only|it was|there were|just|about|we|
    they|per \p{L}+|a \p{L}+)\s*)*[\s,(]*$`.test(gap) ||
  (isPriceFirst && gap.length < 12);

const FOR_EVERY = re("i")`
    \b(?:for (?:every|each)|each|every|with (?:every|each)|per|if the (?:price|fare|fee|
    ticket)\w* (?:is|goes|rises?)|(?:raising|lowering|increasing|cutting) (?:the|it)[^,]*? by|
    (?:an?|each|every) (?:increase|rise|cut|reduction|drop) of)\b|\bwhenever\b|\b(?:each|every) time\b|
  \bif (?:she|he|it|they|we|one|the \w+) (?:lowers?|raises?|reduces?|increases?|cuts?|drops?)\b`;
const UP = /\b(?:more|increas\w+|rais\w+|ris\w+|higher|dearer|added|adds?|extra|additional|further|up)\b/i;
export const DOWN = /\b(?:less|lower\w*|decreas\w+|reduc\w+|cut\w*|drop\w*|cheaper|off|discount|down)\b/i;
export const LOSES = re("i")`
  \b(?:los\w+|fewer|less|stay away|stays? (?:at home|empty|vacant|unsold)|remains? (?:empty|vacant|unsold)|
  moves? out|drop\w*|fall\w*|declin\w+|decreas\w+|leaves?|go elsewhere|down)\b`;
const GAINS = /\b(?:more|gain\w*|extra|additional|ris\w+|increas\w+|win\w*|grow\w*|attract\w*|add\w*|up)\b/i;

/** How the number sold follows the price, where a sentence tells it for a step of the price; null where none does. */
export function slopeOf({ stated, story }: Told): Slope | null {
  for (const count of stated) {
    const isCounted =
      (count.kind === "count" || count.kind === "bare" || count.kind === "measure") && count.limit === null;
    if (!isCounted) continue;
    const { sentence } = count;
    const text = story.slice(sentence.start, sentence.end);
    if (!FOR_EVERY.test(text)) continue;
    const step =
      stated.find((a) => a.kind === "money" && a.sentence === sentence && (a.change !== null || isStep(a, story))) ??
      null;
    const dollar = /\b(?:every|each|a|one|per)\s+(?:extra\s+|additional\s+)?(dollar|euro|cent|pound)\b/i.exec(text);
    if (!step && !dollar) continue;
    const stepValue = step ? step.value : dollar![1]!.toLowerCase() === "cent" ? 0.01 : 1;
    const stepAt = step ? step.start - sentence.start : dollar!.index;
    const stepEnd = step ? step.end - sentence.start : dollar!.index + dollar![0].length;
    const from = Math.min(stepAt, count.start - sentence.start);
    const [stepText, countText] = parts(
      text,
      [stepAt, stepEnd],
      [count.start - sentence.start, count.end - sentence.start],
    );
    const isDown = step?.change === "fewer" || (step?.change !== "more" && DOWN.test(stepText) && !UP.test(stepText));
    const isLoss =
      count.change === "fewer" || (count.change !== "more" && LOSES.test(countText) && !GAINS.test(countText));
    if (!isLoss && count.change !== "more" && !GAINS.test(countText)) continue;
    const fewer = (count.value / stepValue) * (isDown === isLoss ? -1 : 1);
    return { step, stepValue, count, fewer, start: sentence.start + from, end: count.end };
  }
  return null;
}
const isStep = (a: Amount, story: string): boolean =>
  /\b(?:every|each|by|of|per)\s+(?:additional\s+|extra\s+|further\s+)?$/i.test(
    story.slice(a.sentence.start, a.start),
  ) &&
  (UP.test(a.after) || DOWN.test(a.after) || UP.test(a.before) || DOWN.test(a.before));

/** The words about the step of the price, and those about the number sold: on their sides of the place between. */
function parts(
  text: string,
  [stepAt, stepEnd]: [number, number],
  [countAt, countEnd]: [number, number],
): [string, string] {
  if (stepAt < countAt) {
    const cut = text.slice(stepAt, countAt).lastIndexOf(",");
    const word = /^\s*(?:more|less|higher|lower|extra|increase|rise|cut|off|reduction|cheaper|dearer|up|down)\b/i.exec(
      text.slice(stepEnd),
    );
    const at = cut >= 0 ? stepAt + cut : stepEnd + (word?.[0].length ?? 0);
    return [text.slice(0, at), text.slice(at)];
  }
  const every = text.slice(countEnd).search(FOR_EVERY);
  const at = every < 0 ? countEnd : countEnd + every;
  return [text.slice(at), text.slice(0, at)];
}
