import { singular, plural } from "../../units";
import type { Amount } from "../amount";
import type { Ask } from "../asks";
import { Draft } from "../draft";
import { re } from "../pattern";
import { hull, type Sentence } from "../text";
import type { Told } from "../told";
import { DOWN, LOSES } from "./demand";
import { inUnit } from "./measure";

/** Things of which each gives less, or more, the more of them there are: trees in an orchard, guests of a tour. */
interface Crowd {
  readonly thing: string;
  readonly now: Amount;
  readonly each: Amount;
  /** by how much each changes for one more of the things */
  readonly step: Amount;
  readonly isLess: boolean;
}

const EXTRA = re("iu")`
  \b(?:(?:for|with) )?(?:every|each)\s+(?:(?:extra|additional|further|new|added)\s+(\p{L}+)|
  (\p{L}+)\s+(?:more|added|planted|above|over|beyond|in addition)\b)`;

/** Words that tell of less: what is lost, or what becomes cheaper. */
const isLessOf = (words: string): boolean => LOSES.test(words) || DOWN.test(words);

/** "50 trees, each bearing 400 apples; for every extra tree each bears 5 fewer": what they all give together. */
export function crowding(told: Told): Draft | null {
  const crowd = crowdOf(told);
  if (!crowd) return null;
  const { thing, now, each, step } = crowd;
  const draft = new Draft();
  const given = each.unit ?? "piece";
  const perThing = `${given}/${thing}`;
  const isMoney = each.kind === "money";
  const N = draft.given(now, ["N", "M"], thing, `${plural(thing)} now`);
  const y = draft.given(
    each,
    isMoney ? ["p", "y"] : ["y", "w"],
    perThing,
    isMoney ? "price now" : `from each ${thing}`,
  );
  const change = `${crowd.isLess ? "less" : "more"} from each, for one more ${thing}`;
  draft.use(step);
  const d = draft.number(stepIn(step, each)!, ["d", "k"], `${perThing}^2`, change, step);
  const isExtra = told.asks.some((a) => EXTRA_ASKED.test(a.text));
  const q = draft.name(isExtra ? "n" : "q", "x");
  const label = isExtra ? `more ${plural(thing)}` : plural(thing);
  draft.variable({ name: q, unit: thing, label, from: isExtra ? 0 : now.value, whole: true }, step);
  const sign = crowd.isLess ? "-" : "+";
  const text = isExtra ? `(${N} + ${q}) (${y} ${sign} ${d} ${q})` : `${q} (${y} ${sign} ${d} (${q} - ${N}))`;
  const whole = isMoney ? "revenue" : each.kind === "count" ? plural(given) : "total";
  const name = draft.name(isMoney ? "R" : "A", "T");
  const f = draft.formula({ name, unit: given, label: whole }, q, text, hull([now, step]));
  for (const ask of told.asks) askCrowd(draft, ask, f, { ...crowd, isExtra });
  return draft;
}
/** "How many trees should be added": the answer counts those alone. */
const EXTRA_ASKED = /\b(?:add|added|adding|extra|additional|more|further)\b/i;

const crowdOf = (told: Told): Crowd | null =>
  told.sentences.map((s) => crowdIn(s, told)).find((c) => c !== null) ?? null;

function crowdIn(sentence: Sentence, { stated, story }: Told): Crowd | null {
  const text = story.slice(sentence.start, sentence.end);
  const extra = EXTRA.exec(text);
  if (!extra) return null;
  const thing = singular((extra[1] ?? extra[2])!.toLowerCase());
  const now = stated.find((a) => a.kind === "count" && a.unit === thing && a.change === null && a.limit === null);
  if (!now) return null;
  for (const step of stated.filter((a) => a.sentence === sentence && a.start > sentence.start + extra.index)) {
    const each = stated.find(
      (a) => a !== step && a !== now && a.unit !== thing && a.change === null && stepIn(step, a) !== null,
    );
    if (!each || step === now) continue;
    const isLess = step.change === "fewer" || (step.change !== "more" && isLessOf(text.slice(extra.index)));
    return { thing, now, each, step, isLess };
  }
  return null;
}

/** The change for one more, in the unit of what each gives; null where they are not of one kind. */
const stepIn = (step: Amount, each: Amount): number | null =>
  step.kind !== each.kind ? null : step.unit === each.unit ? step.value : each.unit ? inUnit(step, each.unit) : null;

function askCrowd(draft: Draft, ask: Ask, f: string, crowd: Crowd & { readonly isExtra: boolean }): void {
  draft.use(...ask.amounts);
  if (ask.intent === "greatest" || ask.intent === "least") {
    draft.ask({ ask: ask.intent, function: f }, ask);
    return;
  }
  const many = ask.amounts.find((a) => a.unit === crowd.thing);
  const level = ask.amounts.find((a) => a !== many && a.kind !== "times");
  if (many) {
    // Told as all of them, or as those that are added.
    const all = many.change === "more" ? crowd.now.value + many.value : many.value;
    draft.ask({ ask: "value", function: f, at: crowd.isExtra ? all - crowd.now.value : all }, ask);
  } else if (level) draft.ask({ ask: "reach", function: f, value: level.value }, ask);
}
