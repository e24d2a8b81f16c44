import { anyCase } from "../formula";
import { wordsOfUnit } from "./unitWords";
import type { Amount, Model, Variable } from "../model";
import type { Line } from "../question";
import { singular } from "../units";

/** Digits with commas between them: `1,200`; of `5, 6` the first alone, and `1,5` whole, to be refused as it stands. */
const DIGITS = String.raw`(?:\d(?:[\d,]*\d)?(?:\.\d+)?|\.\d+)`;
/** A number as it is said in a sentence: `$1,200`, `5 %`, `3000`, a given, a formula in brackets. */
const AMOUNT = String.raw`[−-]?\s?[$€£¥]?\s?${DIGITS}(?:\s?%)?(?:\s?/\s?\d+)?`;

/** What a line says of inputs: a stretch, one place, or an earlier answer; taken out of the line. */
export interface Places {
  readonly text: string;
  readonly from?: Amount;
  readonly to?: Amount;
  readonly at?: Amount;
}

/**
 * A form of words, and a mark that stands wherever it does. A form is long, it depends on the case, and an engine reads
 * it anew in every case: that is left until its mark is seen.
 */
type Form = readonly [mark: RegExp, form: string];
const matched = (text: string, [mark, form]: Form): RegExpExecArray | null =>
  mark.test(text) ? anyCase(form).exec(text) : null;

/** Reads inputs off a line about functions of one variable. */
export class PlaceReader {
  private readonly amountWord: string;
  private readonly unit: string;
  constructor(
    private readonly line: Line,
    private readonly variable: Variable,
    model: Model,
  ) {
    // One look around for all the givens: each costs as much as the rest of a pattern.
    const names = [...model.givens.keys()].sort((a, b) => b.length - a.length);
    const givens = names.length === 0 ? [] : [`(?<![\\p{L}\\d])(?:${names.join("|")})(?![\\p{L}\\d(])`];
    this.amountWord = `(?:${[AMOUNT, ...givens, String.raw`\d*\s?pi\b`].join("|")})`;
    this.unit = `(?:\\s*(?:${nounsOf(variable).join("|")})(?![\\p{L}]))?`;
  }

  /** A stretch: `on [0, 100]`, `for q >= 50`, `between 1 and 2`, `from 0 to 10`, `in the first 15 seconds`. */
  stretch(text: string): Places | null {
    const a = `(?<from>${this.amountWord})${this.unit}`;
    const b = `(?<to>${this.amountWord})${this.unit}`;
    const named = /\bat\s+(q\d+)\b/.exec(text);
    if (named) return { text: cut(text, named), at: this.line.amount(`answer of ${named[1]!}`) };
    const v = this.variable.name;
    const lead = String.raw`(?:\b(?:for|when|if|with|where|while|on|in|over|within|during)\s+)?`;
    const forms: readonly Form[] = [
      [
        /[[(].*[,;]/u,
        String.raw`(?:\b(?:on|in|over|for|within)\s+)?(?:the\s+(?:interval|range|stretch)\s+)?` +
          String.raw`[[(]\s*${a}\s*[,;]\s*${b}\s*[\])]`,
      ],
      [/[<≤]/u, String.raw`${lead}${a}\s*(?:<=|≤|<)\s*${v}\s*(?:<=|≤|<)\s*${b}`],
      [/between/i, String.raw`${lead}(?:\b${v}\s+)?\bbetween\s+${a}\s+and\s+${b}`],
      [
        /from/i,
        String.raw`${lead}(?:\b${v}\s*=?\s*)?\bfrom\s+(?:${v}\s*=\s*)?${a}\s+(?:up\s+)?(?:to|until|` +
          String.raw`till)\s+(?:${v}\s*=\s*)?${b}`,
      ],
      [/…|\.\.|–/u, String.raw`${lead}(?:\b${v}\s*(?:=|in)\s*)?${a}\s*(?:…|\.\.\.?|–)\s*${b}`],
    ];
    for (const form of forms) {
      const m = matched(text, form);
      if (m) return { text: cut(text, m), from: this.amount(m.groups!.from!), to: this.amount(m.groups!.to!) };
    }
    const first = matched(text, [
      /first/i,
      String.raw`\b(?:in|over|during|within|for|of)\s+(?:the\s+)?first\s+(?<to>${this.amountWord})${this.unit}`,
    ]);
    if (first) return { text: cut(text, first), from: this.variable.from ?? 0, to: this.amount(first.groups!.to!) };
    return this.halfOpen(text);
  }

  private halfOpen(text: string): Places | null {
    const v = this.variable.name;
    const m = matched(text, [
      /[<>≤≥]/u,
      String.raw`\b(?:for|when|if|with|where|while)\s+${v}\s*(?<sign>>=|≥|>|<=|≤|<)` +
        String.raw`\s*(?<end>${this.amountWord})${this.unit}`,
    ]);
    if (!m) return null;
    const end = this.amount(m.groups!.end!);
    const isLow = m.groups!.sign!.startsWith(">") || m.groups!.sign === "≥";
    return { text: cut(text, m), ...(isLow ? { from: end } : { to: end }) };
  }

  /** One place: `at 100`, `at q = 100`, `after 10 minutes`, `in 2030`, `at the answer of q1`, `P(100)`. */
  place(text: string): Places | null {
    const earlier = /\b(?:at|for|with)\s+((?:the\s+)?(?:(?:whole|last|first)\s+)?answer\s+of\s+\w+)/i.exec(text);
    if (earlier) return { text: cut(text, earlier), at: this.line.amount(earlier[1]!) };
    const v = this.variable.name;
    const lead =
      String.raw`\b(?:at|when|after|for|if|in|by|with|where)\s+(?:(?:the\s+)?(?:year|day|week|month|` +
      String.raw`point|time)\s+)?(?:(?:we|you|they|i)\s+)?(?:(?:sell|sold|make|made|produce|order|` +
      String.raw`buy|visit|serve)\s+)?(?:about\s+)?`;
    const leads = /\b(?:at|when|after|for|if|in|by|with|where)\s/i;
    const forms: readonly Form[] = [
      [leads, String.raw`${lead}${v}\s*(?:=|is|equals)\s*(?<at>${this.amountWord})${this.unit}`],
      [leads, String.raw`${lead}(?<at>${this.amountWord})${this.unit}(?!\s*(?:<|>|≤|≥|=|%))`],
      [/\(.*\)/u, String.raw`\(\s*(?:${v}\s*=\s*)?(?<at>${this.amountWord})\s*\)`],
    ];
    for (const form of forms) {
      const m = matched(text, form);
      if (m) return { text: cut(text, m), at: this.calendar(this.amount(m.groups!.at!)) };
    }
    return null;
  }

  /** Several places: `at 5, 6 and 7`, `for q = 10, 20`. */
  several(text: string): { readonly text: string; readonly at: readonly Amount[] } | null {
    const one = `${this.amountWord}${this.unit}`;
    const lead = String.raw`\b(?:at|for|when|if)\s+(?:${this.variable.name}\s*(?:=|is)\s*)?`;
    const m = matched(text, [/,|and/i, `${lead}(?<list>${one}(?:\\s*(?:,|and|,\\s*and)\\s*${one})+)`]);
    if (!m) return null;
    const amounts = m.groups!.list!.match(anyCase(this.amountWord, "g")) ?? [];
    return { text: cut(text, m), at: amounts.map((a) => this.calendar(this.amount(a))) };
  }

  /** A value that is asked about, with its unit left aside. */
  amount(text: string): Amount {
    return this.line.amount(text.trim());
  }
  /** A pattern of an amount as a value, with a unit or a noun behind it left to the caller. */
  get amountPattern(): string {
    return this.amountWord;
  }

  /** A year in place of years since one. */
  private calendar(at: Amount): Amount {
    const since = Number(String(this.variable.since ?? "").slice(0, 4));
    const isYears = singular(this.variable.unit ?? "") === "year";
    return isYears && since >= 1000 && typeof at === "number" && Number.isInteger(at) && at >= 1000 ? at - since : at;
  }
}

/** Words for one of what a variable counts: its unit, both numbers, and short forms. */
export function nounsOf(variable: Variable): string[] {
  const unit = variable.unit ?? "";
  const one = singular(unit);
  const called = wordsOfUnit(unit).flatMap((w) => [w, `${w}s`]);
  const words = [unit, one, `${one}s`, ...called].filter((w) => /^\p{L}+$/u.test(w));
  return words.length > 0 ? [...new Set(words)].sort((a, b) => b.length - a.length) : ["(?!)"];
}

const cut = (text: string, m: RegExpExecArray): string =>
  `${text.slice(0, m.index)} ${text.slice(m.index + m[0].length)}`;
