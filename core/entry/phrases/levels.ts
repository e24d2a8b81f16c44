import { anyCase } from "../../formula";
import type { AskedLine, BareQuestion } from "../asked";
import { type PhraseReader, S, words, narrowed, unitsOf } from "./reader";

export const zeros: PhraseReader = (line) => {
  const named = line.takes(words("zeros?|zeroes|roots?|(?:x|q|t|n)[\\s-]*intercepts?|intercepts?|vanish(?:es)?"));
  const told =
    named ??
    line.takes(/(?:=|\b(?:is|be|equals?|becomes?|reach(?:es)?|hits?|to)\b)\s*(?:0|zero|nil|nothing)\b(?![.,]\d)/iu);
  return told && [{ ask: "reach", function: line.one(), value: 0, ...narrowed(line) }];
};

const RELATIONS: readonly (readonly ["<" | "<=" | ">" | ">=", string])[] = [
  [">=", String.raw`>=|≥|\bat least\b|\bno less than\b|\bnot less than\b|\bor more\b`],
  ["<=", String.raw`<=|≤|\bat most\b|\bno more than\b|\bnot more than\b|\bup to\b`],
  [
    ">",
    String.raw`>|\b(?:is\s+|stays?\s+|goes\s+|rises\s+|be\s+)?(?:above|over|more than|greater ` +
      String.raw`than|higher than|larger than|bigger than)\b|\bexceeds?\b|\bexceeding\b`,
  ],
  [
    "<",
    String.raw`<|\b(?:is\s+|stays?\s+|goes\s+|falls?\s+|drops?\s+|be\s+)?(?:below|under|less than|` +
      String.raw`lower than|smaller than|fewer than|cheaper than)\b`,
  ],
];

export const where: PhraseReader = (line) => {
  const sign = line.takes(words("(?:is\\s+|are\\s+|be\\s+)?(?:positive|negative|above zero|below zero)"));
  if (sign)
    return [
      {
        ask: "where",
        function: line.one(),
        relation: /neg|bel/i.test(sign[0]) ? "<" : ">",
        value: 0,
        ...narrowed(line),
      },
    ];
  const found: BareQuestion[] = [];
  for (let again = true; again && found.length < 2;) {
    const next = relationIn(line);
    again = next !== null && line.takes(/\b(?:and|but)\b/iu) !== null;
    if (next) found.push(next);
  }
  const range = narrowed(line);
  return found.length === 0 ? null : found.map((q) => ({ ...q, ...range }));
};

function relationIn(line: AskedLine): BareQuestion | null {
  for (const [relation, sign] of RELATIONS) {
    if (!line.has(anyCase(sign))) continue;
    const m = line.takes(anyCase(`(?:${sign})\\s*(?<value>${line.amount})${unitsOf(line)}`));
    if (m) return { ask: "where", function: line.one(), relation, value: line.read(m.groups!.value!) };
  }
  return null;
}

/** `P between 100 and 200 ?`: values, where nothing else is asked. */
export const within: PhraseReader = (line) => {
  if (line.functions.length !== 1) return null;
  if (!line.has(/between/i)) return null;
  const m = line.takes(
    anyCase(
      `${S}\\s+(?:is\\s+|lies\\s+)?between\\s+(?<low>${line.amount})${unitsOf(line)}` +
        `\\s+and\\s+(?<high>${line.amount})${unitsOf(line)}`,
    ),
  );
  if (!m) return null;
  const function_ = line.functions[0]!;
  return [
    { ask: "where", function: function_, relation: ">=", value: line.read(m.groups!.low!) },
    { ask: "where", function: function_, relation: "<=", value: line.read(m.groups!.high!) },
  ];
};

const REACH =
  String.raw`=|\bis\b(?:\s+equal\s+to\b)?|\bequals?\b(?:\s+to\b)?|\breach(?:es|` +
  String.raw`ed)?\b|\bhits?\b|\bgets?(?:\s+(?:up|down))?\s+to\b|` +
  String.raw`\bbecomes?\b|\battains?\b|\bpass(?:es)?\b|\b(?:rises?|falls?|drops?|cools?|grows?|` +
  String.raw`climbs?|goes)\s+to\b|\bcosts?\b|\bmakes?\b|\bearns?\b|\bbe\b`;

export const reaching: PhraseReader = (line) => {
  const after = line.takes(
    anyCase(`(?<!\\b${line.variable.name}\\s*)(?:${REACH})\\s*(?<value>${line.amount})${unitsOf(line)}`),
  );
  const before = after
    ? null
    : line.takes(
        anyCase(
          `\\b(?:make|earn|get|reach|have|has|be|for|of)\\s+(?:a\\s+)?(?<value>${line.amount})` +
            `${unitsOf(line)}\\s+(?:of\\s+|` +
            `in\\s+)?(?=${S})`,
        ),
      );
  const m =
    after ??
    before ??
    line.takes(
      anyCase(
        `(?:\\b(?:when|where|is|does)\\s+(?:is\\s+|does\\s+)?(?:the\\s+)?${S}\\s+(?:ever\\s+|` +
          `always\\s+)?|\\b(?:for|with|make|get)\\s+(?:an?\\s+)?${S}\\s+of\\s+)` +
          `(?<value>${line.amount})${unitsOf(line)}\\s*$`,
      ),
    );
  return m && [{ ask: "reach", function: line.one(), value: line.read(m.groups!.value!), ...narrowed(line) }];
};

/** `P at 100`, `R and C at 100`, `P at 5, 6 and 7`: a question for each function and input. */
export const value: PhraseReader = (line) => {
  const several = line.severalPlaces();
  const place = several.length > 0 ? null : line.place();
  const inputs = place?.at === undefined ? several : [place.at];
  if (inputs.length === 0) return null;
  line.takes(words("values?"));
  const names =
    line.functions.length > 1 && line.takes(new RegExp(`${S}(?:\\s*(?:,|and)\\s*${S})+`, "u"))
      ? line.functions
      : [line.one()];
  return names.flatMap((name) => inputs.map((at) => ({ ask: "value", function: name, at }) as const));
};
