import { MONTH_NAMES } from "../calendar";
import { re } from "./pattern";
import type { Amount } from "./amount";
import { trimmed, type Sentence, type Span } from "./text";

export type Intent =
  | "break-even"
  | "greatest"
  | "least"
  | "reach"
  | "where"
  | "value"
  | "multiply"
  | "total"
  | "average"
  | "rate"
  | "cheaper"
  | "same"
  | "zero"
  | "mix"
  | "must-be"
  | "then";

/** One thing that is asked: the clause, what it wants, and the amounts in it. */
export interface Ask extends Span {
  readonly text: string;
  readonly intent: Intent;
  readonly amounts: readonly Amount[];
  /** the factor of "until it doubles" */
  readonly factor: number | null;
}

const CUT = re("gi")`
    (?:,\s*(?:and|or|but)?\s*|;\s*|\s+and\s+(?:also\s+)?|\?\s*|\.\s+)(?=(?:(?:for|from|at|after|by|
    in|with|before|until|to) )?(?:how|which|what|when|where|who|
    the (?:time|moment|number|price|profit|revenue|cost|greatest|largest|maximum|least|point|distance|height)|
    find|determine|calculate|does|do|is it|
    will|would|should)\b)`;
const AFTER_IF = /,\s*(?=(?:how|which|what|when|will|would|find)\b)/i;

/** What the story asks, clause by clause. */
export function asksOf(story: string, sentences: readonly Sentence[], amounts: readonly Amount[]): Ask[] {
  return sentences.filter((s) => s.asks).flatMap((s) => clausesOf(s, story, amounts));
}

function clausesOf(sentence: Sentence, story: string, amounts: readonly Amount[]): Ask[] {
  const cuts: number[] = [sentence.start];
  for (const m of sentence.text.matchAll(CUT)) {
    const before = sentence.text.slice(cuts[cuts.length - 1]! - sentence.start, m.index);
    // "If each lantern costs $3, how many …": the condition belongs to what is asked.
    if (
      /^\s*(?:if|when|for|at|after|with|suppose|given)\b[^,]*$/i.test(before) &&
      AFTER_IF.test(m[0] + sentence.text.slice(m.index + m[0].length))
    )
      continue;
    if (m.index > 0) cuts.push(sentence.start + m.index + m[0].length);
  }
  return cuts.flatMap((from, i) => {
    const span = trimmed(story, { start: from, end: i + 1 < cuts.length ? cuts[i + 1]! : sentence.end });
    const text = story.slice(span.start, span.end).replace(/[\s,;?]*(?:\band)?[\s,;?]*$/i, "");
    const clause = { start: span.start, end: span.start + text.length };
    const told = TOLD_FIRST.exec(text)?.[0].length ?? 0;
    const own = amounts.filter((a) => a.start >= clause.start + told && a.end <= clause.end);
    const intent = intentOf(text, own);
    return intent === null ? [] : [{ ...clause, text, intent, amounts: own, factor: factorOf(text, own) }];
  });
}

/** "If a crate is sold for $18, how many …": what is told before it is asked about. */
const TOLD_FIRST = re("i")`
  ^(?:if|suppose|when)\b[^,]*\b(?:(?:is|are) sold (?:for|at)|sells? (?:for|at)|costs?|charges?|pays?|
  is invested)\b[^,]*,`;

/** Words that tell what is wanted, the surest first; a newcomer adds a row here and one to the test beside it. */
const INTENTS: readonly (readonly [RegExp, Intent])[] = [
  [
    re("i")`
      ^(?:and )?(?:how|what)\b.*\b(?:then|at th(?:at|is|e same) (?:price|time|moment|point|fare)|
      in that case)$|^how (?:large|big|much|great|high) (?:is|would|will) (?:it|that|this)(?: be)?$|
      ^what (?:is|will) (?:it|that|this)(?: be)?$`,
    "then",
  ],
  [
    re("iu")`
      \bwhat (?:must|should|would|does) (?:the |its |their )?(?:price|fee|rate|fare|interest rate|
      \p{L}+)(?: \p{L}+)? (?:be|have to be|need to be)\b`,
    "must-be",
  ],
  [
    re("i")`
      \b(?:break[- ]?even|breaks? even|cover(?:s|ed)? (?:all |both )?(?:its|the|their|his|her|our|
      all|your)? ?(?:\w+ )?(?:costs?|expenses|outlay)|before (?:we|they|it|she|he|
      the \w+) (?:earns?|makes?) (?:anything|a profit|money)|pa(?:y|ys|id) (?:for (?:itself|
      themselves)|off)|start(?:s)? (?:to )?(?:earn|mak|pay)\w*|(?:make|earn|turn)s? (?:a|
      any) profit\b(?! of)|stop(?:s)? (?:losing|making a loss)|(?:no|neither) (?:a )?(?:profit|
      loss)|(?:not|avoid|without) (?:to )?(?:making |make a loss|lose|losing)|does .* gain$|
      earn(?:s)? (?:nothing|its costs))`,
    "break-even",
  ],
  [
    re("iu")`
      \b(?:how many|how much|which amounts?|what (?:numbers?|amounts?|quantit\w+)) of (?:each|both|
      the two)|\b(?:which|what|best) (?:mix|plan|combination|product mix|mixture)\b|
      \bhow many \p{L}+(?: \p{L}+)? and (?:how many )?\p{L}+(?: \p{L}+)? (?:should|must|do|are|will|
      would|can|to)\b`,
    "mix",
  ],
  [
    re("iu")`
      \b(?:how long|when|how many \p{L}+|how soon|what time|in how many|
      after how many)\b.*\b(?:doubles?|doubled|triples?|tripled|halves?|halved|twice|
      half(?:$| (?:empty|full|gone|of|its|the|what|as|left|that|this|price|value))|
      (?:two|three|four|five|ten|\d+) times|
      a (?:third|quarter|tenth) (?:left|of (?:it|its|the|what)))\b|\bdoubling time\b|\bhalf-?life\b`,
    "multiply",
  ],
  [/\b(?:to fill|(?:is|be|gets?)(?: (?:it|the \p{L}+))? full)\b/iu, "reach"],
  [
    re("i")`
      ^(?:when|from when|after how)\b.*\b(?:have|has|be|is|are|get|earn|pay)\w* (?:more|fewer|
      larger|taller|higher|bigger|richer)\b(?! than (?:[$€£]|\d))(?!.*\d)|\b(?:same (?:cost|price|
      amount|money|number|height|temperature|level|value|population|size)|cost(?:s)? the same|
      equally|as (?:much|many|expensive|tall|high|dear|large) as|equal(?:s)?|the same\b|
      meet(?:s)?\b|catch(?:es)? up|overtakes?|level with)`,
    "same",
  ],
  [
    re("i")`
      \b(?:cheaper|cheapest|less expensive|better (?:value|deal|offer|choice|buy|off)|worth (?:it|
      while|buying|joining)|pays? better|is better|better than|costs? less|saves?|dearer)\b|
      \bdoes (?:the |a |an )?(?:\w+ )?(?:card|pass|ticket|membership|offer|subscription) pay\b|
      \b(?:which|what) (?:bank|offer|plan|account|option|way|one|of (?:them|the two|these|both)|
      tariff|deal)\b.*\b(?:more|less|most|least|better|best|higher|lower|first)\b`,
    "cheaper",
  ],
  [
    re("iu")`
      \b(?:(?:hits?|reach(?:es)?|touch(?:es)?|lands? (?:on|in)|falls? (?:on|in)to|meets?|
      strikes?) the (?:ground|water|river|floor|sea|lake|grass|pond|bottom|surface|street|pavement|
      sand|snow|valley)|lands?\b|come(?:s)? down|returns? to (?:the )?(?:ground|earth|water)|
      back (?:on|at|to|in) the|burn(?:ed|t|s)? (?:down|out|away|up)|enters? the (?:water|pool|sea|
      river)|in the air|splash|(?:is|run|runs|be|becomes?|gets?)(?: (?:it|the \p{L}+|they|
      all))? (?:empty|dry|out|used up|gone)|emptied|paid (?:off|back)|nothing left|used up)`,
    "zero",
  ],
  [
    re("i")`
      \b(?:how far|total (?:distance|way)|\bwhat(?: is the)? distance\b|(?:distance|way)\b.*\b(?:travel|cover|
      go|gone|in (?:all|
      total)|altogether)|what distance|how much (?:water|oil|in (?:all|total)))\b`,
    "total",
  ],
  [/\b(?:on average|average (?:speed|velocity|rate|growth|change|increase))\b/i, "average"],
  [
    re("i")`
      \bhow (?:fast|quickly)\b|\bat what (?:rate|speed)\b|\brate of change\b|\bwhat (?:is|
      was) (?:its|the|his|her) (?:speed|velocity)\b|\bimpact speed\b`,
    "rate",
  ],
  [
    re("i")`
      \b(?:how (?:high|tall)\b(?!.*\b(?:after|at)\b)|highest (?:point|place)|greatest|largest|
      maxim\w+|highest|(?:earns?|makes?|brings?|sells?|yields?|pays?|profit|
      takes? in)\b(?:\s+\S+){0,3}\s+(?:the )?most|(?<!at )\bthe most [a-z]+|
      most (?:profit|money|revenue|income)|as (?:much|high|large) as possible|
      best (?:price|fare|fee|profit|ticket)|peak|top speed|
      \bwhat height (?:does|will)\b.*\breach|\b(?:which|what)\b.*\bbest\b)`,
    "greatest",
  ],
  [/\b(?:least|lowest|smallest|minim\w+|fewest|as (?:little|cheap\w*|low|few) as possible)\b(?! how)/i, "least"],
];
const FUNCTIONS_AT = /\b(?:what|how (?:much|many|high|large|big|tall|deep|warm|hot|cold|far))\b/i;
const WHEN = re("i")`
    \b(?:when|how long|how soon|after how (?:many|long)|in how many|in (?:which|what) (?:year|month|
    week)|at what time|what time|how many (?:years|months|weeks|days|hours|minutes|seconds|
    nights)\b.*\b(?:until|before|till|to|does|will|must|take|for)|until|before)\b`;
const BETWEEN_WHICH = re("i")`
    \b(?:for (?:which|what|how (?:long|many))|between which|at which|how long)\b.*\b(?:at least|
    at most|above|below|more than|less than|over|under|fewer|higher|not less)\b|
    \bwhen is\b.*\b(?:above|below|higher|lower|over|under)\b|\bhow long\b.*\b(?:above|below|over|
    stay)\b`;

const MONTH = MONTH_NAMES.join("|");
/** A day of the calendar: `31 March`, `March 31`; used for what is asked, and for when. */
export const DAY = new RegExp(
  String.raw`\b(?:(\d{1,2})(?:st|nd|rd|th)? (${MONTH})|(${MONTH}) (\d{1,2}))\b(?:,? (\d{4}))?`,
);

function intentOf(text: string, amounts: readonly Amount[]): Intent | null {
  const hasNumber = amounts.some((a) => a.kind !== "times" && a.kind !== "date");
  if (BETWEEN_WHICH.test(text) && hasNumber && !/\btimes\b/.test(text)) return "where";
  for (const [pattern, intent] of INTENTS) {
    if (!pattern.test(text)) continue;
    // "at least" limits, it asks for no least; a least with a number in it is a level to be reached.
    if (
      intent === "least" &&
      !/\b(?:least|lowest|smallest|minim\w+|fewest|as \w+ as possible)\b/i.test(text.replace(/\bat least\b/gi, ""))
    )
      continue;
    return intent;
  }
  const isTold = amounts.some((a) => a.kind === "time" || a.kind === "date");
  if (/^(?:predict|find|calculate|determine|estimate|compute|state|give|work out|forecast)\b/i.test(text) && isTold)
    return "value";
  if (/^the (?:profit|revenue|cost|income)\b/i.test(text) && hasNumber) return "value";
  if (/^the (?:time|moment)\b/i.test(text)) return hasNumber ? "reach" : "zero";
  const isAmountWanted =
    /\b(?:what|how (?:much|high|large|big|tall|deep|warm|hot|cold|far)) \b/i.test(`${text} `) ||
    /\bhow many(?: \p{L}+){0,2} (?:are|will|is|were|would|does|do|can)\b/iu.test(text);
  const isTimed = amounts.some((a) => a.kind === "time") || /\bin (?:19|20)\d\d\b/.test(text);
  if (DAY.test(text) && /^(?:and )?(?:how (?:many|much)|what)\b/i.test(text)) return "value";
  if (isAmountWanted && isTimed && !/\b(?:until|when)\b/i.test(text)) return "value";
  const isCountToReach =
    /\bhow many\b/i.test(text) &&
    re("iu")`
      \b(?:(?:can|could|may) \p{L}+ (?:get|buy|afford|order|print|have|make)|to (?:earn|make|reach|
      get|bring|have|take|raise)|(?:earn|make|profit|reach|takes?|raise|bring)\w*\b.*|
      for a (?:profit|revenue))`.test(text) &&
    amounts.some((a) => a.kind === "money");
  if (isCountToReach) return "reach";
  if (WHEN.test(text) && hasNumber && !/^(?:what|how much)\b/i.test(text)) return "reach";
  if (
    /\b(?:what|which) (?:price|number|quantit\w+|temperature|rate)\b/i.test(text) &&
    amounts.some((a) => a.kind !== "times") &&
    /\b(?:give|gives|reach|bring|sell|so that|for a|earn|make)\b/i.test(text)
  )
    return "reach";
  if (WHEN.test(text) && /\b(?:reach|exceed|enough|afford|pass)\w*\b/i.test(text)) return "reach";
  if (FUNCTIONS_AT.test(text) && (hasNumber || /\bin (?:19|20)\d\d\b/.test(text))) return "value";
  if (/\bhow many\b.*\b(?:reach|earn|make|need|must|before|until)\b/i.test(text) && hasNumber) return "reach";
  return null;
}

const FACTORS: readonly (readonly [RegExp, number])[] = [
  [/\bdoubl|\btwice\b/i, 2],
  [/\btripl|\btreble|\bthree times\b/i, 3],
  [/\bhalf-?life|\bhal(?:f|ves?|ved)\b/i, 0.5],
  [/\ba third\b/i, 1 / 3],
  [/\ba quarter\b/i, 0.25],
  [/\ba tenth\b/i, 0.1],
];
function factorOf(text: string, amounts: readonly Amount[]): number | null {
  const times = amounts.find((a) => a.kind === "times");
  if (times) return times.value;
  return FACTORS.find(([pattern]) => pattern.test(text))?.[1] ?? null;
}
