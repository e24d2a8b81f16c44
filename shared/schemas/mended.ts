import type { CaseFile } from "#core/model";
import { caseSchema, pathText, readCase, type ShapeProblem } from "./case";

/** A case from elsewhere: as it is read, and what was mended to read it; or all that is wrong in it. */
export type Taken =
  | { readonly ok: true; readonly case: CaseFile; readonly mended: readonly string[] }
  | { readonly ok: false; readonly errors: readonly ShapeProblem[] };

/** What is mended may bring to light what stands deeper; so often at most. */
const MOST_ROUNDS = 8;

type Parts = Record<PropertyKey, unknown>;
const isParts = (value: unknown): value is Parts => typeof value === "object" && value !== null;

/**
 * Reads a case file that somebody brings. What has one plain remedy that changes no number and no formula is mended and
 * said: a missing title is the file's name, a question without an id gets one, what the format does not know is left
 * out. Anything else is refused whole.
 *
 * @param title  for a case that has none
 */
export function takenCase(document: unknown, title: string): Taken {
  const mended: string[] = [];
  if (!isParts(document) || document.format !== "pasear-case") return readAs(document, mended);
  const copy = structuredClone(document);
  nameMissing(copy, title, mended);
  numberQuestions(copy, mended);
  for (let round = 0; round < MOST_ROUNDS && leaveOutUnknown(copy, mended); round++);
  return readAs(copy, mended);
}

function readAs(document: unknown, mended: readonly string[]): Taken {
  const read = readCase(document);
  return read.ok ? { ...read, mended } : read;
}

function nameMissing(document: Parts, title: string, mended: string[]): void {
  if (typeof document.title === "string" && document.title.trim() !== "") return;
  if (document.title !== undefined && typeof document.title !== "string") return;
  document.title = title;
  mended.push(`it had no title and is called “${title}”`);
}

function numberQuestions(document: Parts, mended: string[]): void {
  const { questions } = document;
  if (!Array.isArray(questions)) return;
  const taken = new Set(questions.flatMap((q) => (isParts(q) && typeof q.id === "string" ? [q.id] : [])));
  for (const [i, q] of questions.entries()) {
    if (!isParts(q) || q.id !== undefined) continue;
    let n = i + 1;
    while (taken.has(`q${n}`)) n++;
    q.id = `q${n}`;
    taken.add(`q${n}`);
    mended.push(`questions[${i}] had no id and is q${n}`);
  }
}

/** @returns whether something was left out */
function leaveOutUnknown(document: Parts, mended: string[]): boolean {
  const result = caseSchema.safeParse(document);
  const unknown = (result.error?.issues ?? []).flatMap((issue) =>
    issue.code === "unrecognized_keys" ? issue.keys.map((key) => ({ path: issue.path, key })) : [],
  );
  for (const { path, key } of unknown) {
    const place = path.reduce<unknown>((at, step) => (isParts(at) ? at[step] : undefined), document);
    if (!isParts(place)) continue;
    Reflect.deleteProperty(place, key);
    mended.push(`${pathText([...path, key])} is not of the format and was left out`);
  }
  return unknown.length > 0;
}
