import { Misread } from "./entry";
import { plainAmount, readAmountText } from "../units";
import { anyCase, nearName, quoted } from "../formula";
import type { FunctionRow, Model, NumberText, PieceRow } from "../model";
import { NAME } from "../question";

/** How functions are written: by name, and what they are made of. */
export class Making {
  /** @param text  the whole line, for the places of faults */
  constructor(
    private readonly text: string,
    private readonly model: Model,
  ) {}

  /** How a function is made: a line, pieces, a running total, a slope, or a formula. */
  making(body: string, of: string): FunctionRow["by"] {
    if (/^(?:a\s+)?line\b/i.test(body)) return { kind: "line", through: this.points(body) };
    const total = anyCase(String.raw`^(?:running\s+)?total\s+of\s+(${NAME})(?:\s+from\s+(.+))?$`).exec(body);
    if (total)
      return { kind: "total", function: this.functionName(total[1]!), from: total[2] ? this.bound(total[2]) : 0 };
    const slope = anyCase(String.raw`^slope\s+of\s+(${NAME})$`).exec(body);
    if (slope) return { kind: "slope", function: this.functionName(slope[1]!) };
    if (/;|\bfor\b/.test(body))
      return {
        kind: "pieces",
        pieces: body
          .split(/\s*;\s*/)
          .filter((p) => p)
          .map((p) => this.piece(p, of)),
      };
    return { kind: "formula", text: body };
  }

  /** `3 t for 0 <= t < 6`: a piece with its ends; which side owns an end is in the sign. */
  private piece(text: string, of: string): PieceRow {
    const at = this.text.indexOf(text);
    const wrong = (message: string) => new Misread(message, Math.max(0, at), Math.max(0, at) + text.length);
    const parts = /^(.*?)\s+for\s+(.+)$/.exec(text);
    if (!parts)
      throw wrong(`${quoted(text)} does not say where it holds, as in ${quoted(`3 ${of} for 0 <= ${of} < 6`)}.`);
    const range = new RegExp(String.raw`^(?:(.+?)\s*(<=|≤|<)\s*)?${of}(?:\s*(<=|≤|<|>=|≥|>)\s*(.+))?$`, "u").exec(
      parts[2]!.trim(),
    );
    if (!range || (!range[1] && !range[4]))
      throw wrong(`${quoted(parts[2]!)} is no range of ${of}; write it as in ${quoted(`0 <= ${of} < 6`)}.`);
    const closed = (sign: string | undefined) => sign !== "<" && sign !== ">";
    const upward = range[3]?.startsWith(">") || range[3] === "≥";
    if (upward) return { text: parts[1]!.trim(), from: this.bound(range[4]!), ends: closed(range[3]) ? "[]" : "(]" };
    return {
      text: parts[1]!.trim(),
      ...(range[1] ? { from: this.bound(range[1]) } : {}),
      ...(range[4] ? { to: this.bound(range[4]) } : {}),
      ends: `${closed(range[2]) ? "[" : "("}${closed(range[3]) ? "]" : ")"}`,
    };
  }

  /** An end of a piece: a number, or a formula text in givens. */
  private bound(text: string): NumberText {
    return plainAmount(text, (w) => this.model.givens.has(w) || this.model.functions.has(w)) ?? text.trim();
  }

  private points(body: string): [NumberText, NumberText][] {
    const pairs = [...body.matchAll(/\(([^()]*)\)/g)].map((m) =>
      m[1]!.split(/[,;]\s+|;|,(?=\s*[$€£])|,(?!\d{3}\b)/).map((part) => readAmountText(part)),
    );
    const good = pairs
      .filter((p) => p.length === 2 && p[0] && p[1])
      .map((p) => [p[0]!.value, p[1]!.value] as [number, number]);
    if (good.length < 2)
      throw new Misread(
        "A line needs two readings in brackets, as in `p(q) = line (240, 6), (150, 9)`.",
        0,
        this.text.length,
      );
    return good;
  }

  /** `P` or `P(q)`: a function by its name. */
  functionIn(side: string): string | null {
    const m = new RegExp(String.raw`^(${NAME})(?:\s*\(\s*(${NAME})\s*\))?$`, "u").exec(side);
    const f = m && this.model.functions.get(m[1]!);
    return f && (!m[2] || m[2] === f.of) ? f.name : null;
  }

  functionName(side: string): string {
    const found = this.functionIn(side.trim());
    if (found) return found;
    const at = this.text.indexOf(side.trim());
    throw new Misread(this.unknown(side.trim()), at, at + side.trim().length);
  }

  unknown(name: string): string {
    const near = nearName(name, [...this.model.functions.keys()]);
    const list = [...this.model.functions.keys()];
    const there = `There ${list.length === 1 ? "is" : "are"} ${list.join(", ")}.`;
    const instead = near ? `Did you mean ${quoted(near)}?` : list.length > 0 ? there : "Write a function first.";
    return `${quoted(name)} is no function of this case. ${instead}`;
  }
}
