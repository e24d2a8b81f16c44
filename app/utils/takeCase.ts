import { readCase, type ShapeProblem } from "#shared/schemas/case";
import { caseApi } from "~/utils/caseApi";

/** Says what came of something, for a while. */
export type Tell = (summary: string, detail: string, isTrouble?: boolean) => void;

/** A larger file is no case. */
const MOST_BYTES = 8_000_000;

/** The text of a file that says it is a case; null where it is something else. */
export async function caseTextOf(file: File): Promise<string | null> {
  if (!file.name.toLowerCase().endsWith(".json") || file.size > MOST_BYTES) return null;
  const text = await file.text();
  return isCaseText(text) ? text : null;
}
export const isCaseText = (text: string): boolean => text.includes('"pasear-case"');

/**
 * A case is put on the shelf and opened, or refused whole with the first of what is wrong in it.
 * @param kept  what is said of where one came from
 */
export async function takeCase(text: string, tell: Tell, kept: string): Promise<void> {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (failure) {
    return tell("This case cannot be read.", `${(failure as Error).message}.`, true);
  }
  const read = readCase(document);
  if (!read.ok) return tell("This case cannot be read.", wrongIn(read.errors), true);
  try {
    const made = await caseApi.create(read.case);
    await navigateTo(`/case/${made.id}`);
    tell(`“${read.case.title}” was put on the shelf and opened.`, kept);
  } catch (failure) {
    tell("The case could not be put on the shelf.", (failure as Error).message, true);
  }
}

function wrongIn([first, ...others]: readonly ShapeProblem[]): string {
  const more = others.length > 0 ? ` And ${others.length} more.` : "";
  return `${first!.path ? `${first!.path}: ` : ""}${first!.message}${more}`;
}
