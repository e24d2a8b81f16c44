import { Misread, freshId } from "./entry";
import type { Making } from "./making";
import { earlierAnswer, plainAmount } from "../units";
import { nearName, quoted } from "../formula";
import type { Amount, CaseFile, Given, Model, Question } from "../model";
import { KINDS, NAME, TO, sidesOf, type Line } from "../question";

/** What can be asked about a function. */
export const whatAbout = (name: string): string =>
  `What about ${quoted(name)}? Examples: ` +
  `${quoted(`${name} = 0 ?`)}, ${quoted(`greatest ${name} ?`)}, ${quoted(`${name}(3) ?`)}.`;

/** A line that asks, read by the rooms of the questions. */
export class QuestionLine {
  /** @param text  the whole line, for the places of faults */
  constructor(
    private readonly text: string,
    private readonly source: CaseFile,
    private readonly model: Model,
    private readonly made: Making,
  ) {}

  // ---- questions --------------------------------------------------------------------------------------------

  question(body: string): Question {
    const line = this.line(body);
    if (line.text === "")
      return line.fail("There is no question yet. Examples: `R = C ?`, `P = 0 ?`, `greatest P ?`, `P(250) ?`.");
    for (const kind of KINDS) {
      const question = kind.typed(line);
      if (question) return question;
    }
    return this.notUnderstood(line);
  }

  /** A line that asks, as the rooms of the questions read it: its range at the end is taken off. */
  line(body: string): Line {
    const range = new RegExp(
      String.raw`\s*(?:\bfor\b|\bon\b|\bfrom\b)\s+(?:${NAME}\s*(?:=|from)\s*)?(\S+?)${TO}(.+?)\s*$`,
      "u",
    ).exec(body);
    return {
      text: (range ? body.slice(0, range.index) : body).trim(),
      id: freshId(this.source),
      narrowed: range ? { from: this.amount(range[1]!), to: this.rangeEnd(range[2]!) } : {},
      functionIn: (text) => this.made.functionIn(text),
      functionName: (text) => this.made.functionName(text),
      given: (name) => this.givenRow(name),
      amount: (text) => this.amount(text),
      variableOf: (name) => this.model.functions.get(name)!.of,
      fail: (message) => {
        throw new Misread(message, 0, this.text.length);
      },
    };
  }

  /** Why no kind of question took the line: what is missing in it, or which word it may have meant. */
  private notUnderstood(line: Line): never {
    const { text } = line;
    const sides = sidesOf(line);
    if (sides) this.withoutFunction(sides.left, sides.sign, sides.right);
    if (this.model.functions.has(text)) throw new Misread(whatAbout(text), 0, this.text.length, true);
    const near = nearName(text.split(/[\s(]/)[0] ?? "", [
      ...this.model.functions.keys(),
      "greatest",
      "least",
      "total",
      "average",
      "compare",
    ]);
    throw new Misread(
      `This question is not understood.${near ? ` Did you mean ${quoted(near)}?` : ""} ` +
        `Examples: \`R = C ?\`, \`P = 0 ?\`, \`P >= 500 ?\`, \`greatest P ?\`, \`P(250) ?\`.`,
      0,
      this.text.length,
      true,
    );
  }

  private withoutFunction(left: string, sign: string, right: string): never {
    if (left === "" || right === "")
      throw new Misread(
        `${quoted(this.text.trim())} has nothing on ${left === "" ? "the left" : "the right"}` +
          ` of the ${quoted(sign)}; a function or a number should stand there.`,
        0,
        this.text.length,
      );
    const first = left.match(new RegExp(`^${NAME}`, "u"))?.[0];
    if (first && new RegExp(`^${NAME}$`, "u").test(left))
      throw new Misread(this.made.unknown(first), this.text.indexOf(first), this.text.indexOf(first) + first.length);
    const formula = /\p{L}/u.test(left) ? left : right;
    throw new Misread(
      `One side should be a function of this case by its name. Give ${quoted(formula)} a name first, as in ` +
        `${quoted(`D(${this.source.variables?.[0]?.name ?? "x"}) = ${formula}`)}.`,
      0,
      this.text.length,
    );
  }

  private givenRow(name: string): Given {
    const rows = this.source.givens ?? [];
    const row = rows.find((g) => g.name === name);
    if (row) return row;
    const names = rows.map((g) => g.name);
    const near = nearName(name, names);
    throw new Misread(
      `${quoted(name)} is no given of this case.${near ? ` Did you mean ${quoted(near)}?` : ""}`,
      0,
      name.length,
    );
  }

  private earlierList(): string {
    const ids = (this.source.questions ?? []).map((q) => q.id);
    return ids.length === 0 ? "" : ids.length === 1 ? ` There is ${ids[0]!}.` : ` There are ${ids.join(", ")}.`;
  }

  /** The upper end of a narrowed range, where a noun may follow: `20 nights`, `M lanterns`. */
  private rangeEnd(text: string): Amount {
    const noun = /^(.+?)\s+\p{L}+$/u.exec(text);
    return noun && !this.model.amount(text).ok ? this.amount(noun[1]!) : this.amount(text);
  }

  /** A number, with its unit left aside, a formula text in givens, or an earlier answer. */
  private amount(text: string): Amount {
    const t = text.trim();
    const earlier = earlierAnswer(t);
    if (earlier) {
      if (!(this.source.questions ?? []).some((q) => q.id === earlier.of)) {
        const at = this.text.lastIndexOf(earlier.of);
        throw new Misread(
          `There is no question ${quoted(earlier.of)} before this one.${this.earlierList()}`,
          at,
          at + earlier.of.length,
        );
      }
      return earlier;
    }
    const plain = plainAmount(t, (w) => this.model.givens.has(w) || this.model.functions.has(w));
    if (plain !== null) return plain;
    const formula = this.model.amount(t);
    if (!formula.ok) {
      const at = Math.max(0, this.text.lastIndexOf(t));
      throw new Misread(formula.problem.message, at + formula.problem.start, at + formula.problem.end);
    }
    return t;
  }
}
