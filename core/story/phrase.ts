import type { CaseFile, MarkRole } from "../model";
import { readAmountText } from "../units";
import { interpret, type Entry } from "../entry";

const LIMIT = /\b(at most|at least|no more|up to|not more|only|maximum|minimum)\b/i;
const QUESTION = /\b(how|which|when|what|where)\b|\?/i;

/** What a phrase of a story most likely is; a first offer that the person may change. */
export function likelyRole(phrase: string): MarkRole {
  if (LIMIT.test(phrase)) return "limit";
  if (QUESTION.test(phrase)) return "question";
  const numbers = phrase.match(/\d+/g) ?? [];
  const isGrouped = /\d,\d{3}/.test(phrase);
  return numbers.length > 1 && !isGrouped ? "relation" : "given";
}

/** Names that a phrase of this role can belong to. */
export function namesFor(role: MarkRole, source: CaseFile): string[] {
  if (role === "question") return (source.questions ?? []).map((q) => q.id);
  return [...(source.givens ?? []), ...(source.variables ?? []), ...(source.functions ?? [])].map((r) => r.name);
}

/** What marking the phrase under this name would do, in words. */
export function markHint(phrase: string, role: MarkRole, name: string, source: CaseFile): string {
  if (role === "question") return "Number of a question it asks, such as q1; or leave it empty.";
  if (namesFor(role, source).includes(name)) return `Belongs to ${name}.`;
  const amount = role === "relation" ? null : readAmountText(phrase);
  if (!amount) return "Name of the given, variable or function it became.";
  const unit = amount.unit ? ` ${amount.unit}` : "";
  return `A new name becomes a given with the value ${amount.value}${unit}.`;
}

/** What a new name for a marked phrase makes: nothing, a given with its amount, or a fault in words. */
export type Named = { readonly entry?: Entry } | { readonly fault: string };
export function nameMark(phrase: string, role: MarkRole, name: string, source: CaseFile): Named {
  const known = namesFor(role, source);
  if (name === "" || known.includes(name)) return {};
  const amount = readAmountText(phrase);
  if (role === "question" || role === "relation" || !amount) {
    const there = known.length > 0 ? `Known: ${known.join(", ")}.` : "Write it on the entry line first.";
    return { fault: `${name} is not known in this case. ${there}` };
  }
  const { value, unit } = amount;
  const written = unit?.startsWith("%") ? `${value * 100} ${unit.replace("/", " per ")}` : `${value} ${unit ?? ""}`;
  const made = interpret(`${name} = ${written}`, source);
  return made.ok ? { entry: made.entry } : { fault: made.message };
}
