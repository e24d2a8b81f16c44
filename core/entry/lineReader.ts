import { Misread, freshId, withEntry, type Entry } from "./entry";
import { NO_FACTORIAL, RESERVED, nearName, quoted } from "../formula";
import { modelOf, type CaseFile, type Model, type Question } from "../model";
import { NAME } from "../question";
import { calculated, looksCalculated, withProducts } from "./calculation";
import { KEYWORDS } from "./asked";
import { namesTaken } from "../data";
import { whatAbout, QuestionLine } from "./questionLine";
import { Making } from "./making";
import { mentioned, numberOfSign } from "./mentions";
import { phrased, soughtGiven } from "./phrased";
import { eachLine, readPlanLines } from "../plan";
import { rangeEntry } from "./ranges";
import { bestOfFormula, sidesAsked } from "./sides";
import { checkedEntry } from "./checked";
import { CALCULATE, isNumberMeant, numbered } from "./numberLine";
import { inDigits, slopes } from "./plain";
import { clockTime, remarked } from "./amountLine";
import { interpret } from "./statement";
import { assigned } from "./assigned";
import { type Understanding, type Understood, refusal, asUnderstood } from "./understanding";

export class LineReader {
  private readonly model: Model;
  /** without what only asks: `?`, `= ?` */
  private readonly body: string;
  private readonly asks: boolean;
  constructor(
    private readonly line: string,
    private readonly source: CaseFile,
    /** false: a word that is nearly another is left as it is, as a mended line is not mended again */
    private readonly mends = true,
  ) {
    this.model = modelOf(source);
    this.asks = /\?\s*$/.test(line);
    this.body = line.replace(/\s*\?\s*$/, "").trim();
  }

  read(): Understanding {
    if (this.body === "" && !this.asks) return asUnderstood(interpret(this.line, this.source));
    const unequal = /!=|≠|<>/.exec(this.body)?.[0];
    if (unequal)
      return refusal(
        `${quoted(unequal)} asks where two things differ; ask where one is above (\`>\`) or below (\`<\`) the other.`,
      );
    if (FACTORIAL.test(this.body)) return refusal(NO_FACTORIAL);
    const read =
      this.range() ??
      this.sides() ??
      this.sidesOnRange() ??
      this.assignment() ??
      this.strictQuestion() ??
      this.bestOfFormula();
    if (read) return read;
    const number = this.number();
    if (number?.kind === "number") return number;
    const words = this.inWords();
    if (words?.kind === "entries") return words;
    return this.ofPlan() ?? number ?? words ?? this.refused();
  }

  private range(): Understanding | null {
    if (this.asks) return null;
    const entry = rangeEntry(this.body, this.source, this.model);
    return entry && asUnderstood(checkedEntry(this.body, entry, this.source));
  }

  /** `P = 0`, `R > C`, `R - C = 0`, where functions of the case stand: a question, with or without its mark. */
  private sides(): Understanding | null {
    const found = sidesAsked(this.body, this.asks, this.source, this.model, this.questionLine());
    const asked = found && this.entered(found);
    return asked?.kind === "entries" ? { ...asked, ...this.otherwise() } : asked;
  }
  /** `P = 500 for q > 50` of a function that is there: a question, with its mark or without. */
  private sidesOnRange(): Understanding | null {
    const [, name, side] = ON_RANGE.exec(this.body) ?? [];
    if (this.asks || !name || !this.model.functions.has(name)) return null;
    if (!/^[\d\s.,$€£%−-]+$/.test(side!) && !this.model.functions.has(side!)) return null;
    const asked = new LineReader(`${this.body} ?`, this.source).read();
    const isQuestion = asked.kind === "entries" && asked.entries.every((e) => e.kind === "question");
    return isQuestion ? { ...asked, ...this.otherwise() } : null;
  }
  /** `R = C` without a mark may be meant as R from now on. */
  private otherwise(): { or?: Understood } {
    const isBare = !this.asks && new RegExp(String.raw`^${NAME}\s*=(?!=)`, "u").test(this.body);
    const made = isBare ? asUnderstood(interpret(this.body, this.source)) : null;
    const isFunction = made?.kind === "entries" && made.entries.every((e) => e.kind === "function");
    return isFunction ? { or: made } : {};
  }
  private bestOfFormula(): Understanding | null {
    const found = bestOfFormula(this.body, this.source, this.model);
    return found && this.entered(found);
  }

  private assignment(): Understanding | null {
    if (this.asks) return null;
    const text = assigned(this.body, this.source);
    const head = new RegExp(String.raw`^(${NAME})\s*(?:\(\s*${NAME}\s*\)\s*)?=(?!=)`, "u").exec(text);
    if (!head) return null;
    const isBareName = !head[0].includes("(");
    const noted = isBareName ? (clockTime(text) ?? remarked(text, this.source)) : null;
    if (noted) return noted;
    if (this.model.variables.has(head[1]!) && isBareName && !/…|\.\.|\bto\b/.test(text))
      return refusal(isVariable(head[1]!, this.model));
    const given = isBareName ? this.workedGiven(head[1]!, text.slice(head[0].length).trim(), text) : null;
    if (given) return given;
    return asUnderstood(interpret(text, this.source));
  }

  /** `a = 1/4`, `M = 3.2e5`: a given whose number is worked out. */
  private workedGiven(name: string, body: string, text: string): Understanding | null {
    const isTaken = this.model.functions.has(name) || this.model.variables.has(name) || this.model.givens.has(body);
    if (new RegExp(String.raw`(?<![\p{L}\d_])${name}(?![\p{L}\d_(])`, "u").test(body) && this.model.givens.has(name))
      return refusal(
        `${quoted(name)} cannot be told by itself; write its new number, as in ${quoted(`${name} = 12`)}.`,
      );
    // `180-20` is worked out, a date is not; `5-10` may be a range as well.
    const isPlain = /^[−-]?[\d\s.,$€£%]*\p{L}?$|^\d{4}-\d\d-\d\d$/u.test(body);
    const [, low, high] = /^([\d.,]+)\s*[−–-]\s*([\d.,]+)$/.exec(body) ?? [];
    if (low && Number(low) < Number(high))
      return refusal(
        `${quoted(body)} is read in two ways: write ${quoted(`${name} = ${low} … ${high}`)} for a range, ` +
          `or ${quoted(`${name} = (${low} - ${high})`)} for the difference.`,
      );
    if (isTaken || !/\d/.test(body) || isPlain) return null;
    if (interpretsAsGiven(text, this.source)) return null;
    const found = looksCalculated(body) ? calculated(body, this.model) : null;
    if (!found?.ok) return null;
    const before = this.source.givens?.find((g) => g.name === name);
    const row = { ...(before ?? {}), name, value: found.value };
    return asUnderstood(checkedEntry(text, { kind: "given", replaces: before !== undefined, row }, this.source));
  }

  private strictQuestion(): Understanding | null {
    const goal = soughtGiven(this.body, this.model);
    const isWorth =
      this.asks ||
      goal !== null ||
      /^\S+\s*['’′(]/u.test(this.body) ||
      /\b(?:compare|greatest|least|total|average|rate)\b/i.test(this.body);
    if (!isWorth) return null;
    const read = interpret(`${goal ?? this.body} ?`, this.source);
    return read.ok ? asUnderstood(read) : null;
  }

  private number(): Understanding | null {
    const text = this.body.replace(/\s*=\s*$/, "").replace(CALCULATE, "");
    // Words that ask are no calculation; what they nearly spell need not be looked for.
    const isMeant = isNumberMeant(withProducts(text), this.model);
    if (text.includes("=") || !isMeant || !looksCalculated(text)) return null;
    const found = calculated(text, this.model);
    if (found.ok) return numbered(text, found.value, this.source);
    const p = found.problem;
    const line = this.namingLine(text);
    return line ? refusal(...naming(line)) : { ...refusal(p.message), at: p.start, end: p.end };
  }

  /** A formula without a name: the line that would give it one, where that can be taken. */
  private namingLine(text: string): string | null {
    const known = this.source.variables?.[0]?.name ?? this.source.functions?.[0]?.of;
    const letters = (text.match(new RegExp(NAME, "gu")) ?? []).filter(
      (w) => w.length === 1 && !this.model.givens.has(w),
    );
    const of = known ?? letters[0] ?? "x";
    const taken = namesTaken(this.source);
    const name = ["f", "g", "h", "D"].find((n) => !taken.has(n) && n !== of);
    const line = `${name}(${of}) = ${text}`;
    return name && interpret(line, this.source).ok ? line : null;
  }

  private inWords(): Understanding | null {
    const body = inDigits(slopes(this.body.replace(/^(?:please\b|pls\b|,|\s)+/i, "")));
    const found = phrased(body, this.source, this.model, this.questionLine());
    if (!found) return null;
    return "misread" in found ? this.notInWords(found.misread, body) : this.entered(found.entries);
  }

  /** What is told first: a word that was nearly right, a fault that the strict reader names, the word nobody knows. */
  private notInWords({ message, at, end }: Misread, body: string): Understanding {
    const meant = this.nearly();
    if (meant) return meant;
    const isWorded = this.asks || /^(?:greatest|least|rate|total|average|compare|double|triple|halve)\b/i.test(body);
    const strict = isWorded ? interpret(`${this.body} ?`, this.source) : null;
    const isFault = strict && !strict.ok && !strict.isVague;
    return isFault ? asUnderstood(strict) : { ...refusal(message), at, end };
  }

  private refused(): Understanding {
    const about = mentioned(this.body, this.source);
    if (about.text.length === 1 && about.text !== this.body)
      return refusal(whatAbout(about.functions[numberOfSign(about.text)]!));
    const strict = interpret(this.line, this.source);
    return strict.ok || !strict.isVague ? asUnderstood(strict) : this.nothingKnown();
  }

  /** An objective or constraints of several unknowns belong to the plan. */
  private ofPlan(): Understanding | null {
    if (this.asks) return null;
    const parts = eachLine(this.body);
    const { lines, problem } = readPlanLines(parts, this.source.plan ?? null, this.model.names);
    const isPlan = lines.some((l) => l.kind === "objective") || /[<>≤≥]/.test(this.body);
    const unknown = lines.flatMap((l) => l.fresh.filter((w) => !this.model.variables.has(w)));
    if (!isPlan || problem !== null || unknown.length < 2) return null;
    const [first] = lines;
    const what =
      lines.length > 1 ? "a plan" : first!.kind === "objective" ? "an objective of a plan" : "a constraint of a plan";
    return refusal(`${quoted(this.body)} is ${what}: write it in the Plan view.`);
  }

  /** What could be written here, in lines that this very case takes. */
  private nothingKnown(): Understanding {
    const line = this.asks ? null : this.namingLine(this.body);
    if (line) return refusal(...naming(line));
    const meant = this.nearly();
    if (meant) return meant;
    const [first] = this.model.functions.keys();
    if (!first && this.asks)
      return refusal("There is no function to ask about yet. Write one first, as in `f(x) = 3x + 2`.");
    const near = nearName(this.body, [...namesTaken(this.source)]);
    const hint = near ? ` Did you mean ${quoted(near)}?` : "";
    const examples = first ? [`greatest ${first} ?`, `${first} = 0 ?`] : ["F = 180 $", "f(x) = 3x + 2"];
    return refusal(`${quoted(this.body)} is not understood.${hint} Examples: ${examples.map(quoted).join(", ")}.`);
  }

  /** One word that is nearly one that asks: the line with it mended is offered, where it can be taken. */
  private nearly(): Understanding | null {
    if (!this.mends) return null;
    for (const { 0: word, index } of this.line.matchAll(/\p{L}{4,}/gu)) {
      const near = RESERVED.has(word) ? null : nearName(word.toLowerCase(), KEYWORDS);
      if (!near || near === word.toLowerCase()) continue;
      const mended = this.line.slice(0, index) + near + this.line.slice(index + word.length);
      if (isTaken(mended, this.source))
        return refusal(`${quoted(word)} is not understood. Perhaps ${quoted(mended)} was meant.`, [mended]);
    }
    return null;
  }

  private questionLine(): QuestionLine {
    return new QuestionLine(this.body, this.source, this.model, new Making(this.body, this.model));
  }

  /** Entries put in one after another, each checked. */
  private entered(entries: readonly Entry[]): Understanding {
    let now = this.source;
    const says: string[] = [];
    let warning: string | null = null;
    const kept: Entry[] = [];
    for (const entry of entries) {
      const own = entry.kind === "question" ? { ...entry, row: { ...entry.row, id: freshId(now) } as Question } : entry;
      const read = checkedEntry(this.body, own, now);
      if (!read.ok) return asUnderstood(read);
      kept.push(read.entry);
      says.push(read.says);
      warning ??= read.warning;
      now = withEntry(now, read.entry);
    }
    return { kind: "entries", entries: kept, says: says.join("; and "), warning };
  }
}

function isTaken(line: string, source: CaseFile): boolean {
  try {
    return new LineReader(line, source, false).read().kind !== "refused";
  } catch (failure) {
    if (failure instanceof Misread) return false;
    throw failure;
  }
}

/** What is said of a formula without a name, and the line that names it. */
function naming(line: string): [message: string, instead: string[]] {
  const of = /\((.+?)\)/.exec(line)![1]!;
  return [`This is a formula of ${quoted(of)}, and names nothing yet. Give it a name: ${quoted(line)}.`, [line]];
}

const interpretsAsGiven = (text: string, source: CaseFile): boolean => {
  const read = interpret(text, source);
  return read.ok && read.entry.kind === "given";
};

/** A name, and what it is on a stretch. */
const ON_RANGE = new RegExp(String.raw`^(${NAME})\s*=\s*([^=;]+?)\s+for\s[^;]+$`, "u");

/** The mark behind a number, a bracket, or a letter by itself. */
const FACTORIAL = /(?:[\d)]|(?<!\p{L})\p{L})\s*!/u;

/** Why a variable is given no number. */
function isVariable(name: string, model: Model): string {
  const f = [...model.functions.values()].find((g) => g.of === name);
  const use = f ? ` To ask at one place, write ${quoted(`${f.name}(5) ?`)}` : " Give a number another name";
  return `${quoted(name)} is the variable.${use}; its range is set by ${quoted(`${name} = 0 … 10`)}.`;
}
