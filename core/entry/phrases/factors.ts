/** Words for growing by a factor. */
export const FACTORS_BY_WORD: readonly (readonly [RegExp, number])[] = [
  [/\b(?:doubles?|doubled|doubling(?:\s+time)?|twice(?:\s+as\s+(?:much|many|large|big|high))?)\b/iu, 2],
  [/\b(?:triples?|tripled|tripling(?:\s+time)?|trebles?|three\s+times|three[- ]?fold)\b/iu, 3],
  [/\b(?:quadruples?|quadrupled|four\s+times|four[- ]?fold)\b/iu, 4],
  [/\b(?:ten\s+times|ten[- ]?fold)\b/iu, 10],
  [
    /\b(?:halves|halve|halved|halving(?:\s+time)?|half[\s-]?life|half(?:\s+as\s+(?:much|many|large|big|high))?)\b/iu,
    0.5,
  ],
];
