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

/** Files of one zip, and bytes of one of them. */
const MOST_FILES = 1000;

/** All cases of a zip are put on the shelf; each whole or not at all, and what is no case is told by its name. */
export async function takeZip(file: File, tell: Tell): Promise<void> {
  const { unzipSync, strFromU8 } = await import("fflate");
  const refused: string[] = [];
  let count = 0;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(new Uint8Array(await file.arrayBuffer()), {
      filter: ({ name, originalSize }) => !name.endsWith("/") && originalSize <= MOST_BYTES && ++count <= MOST_FILES,
    });
  } catch {
    return tell(`“${file.name}” cannot be unpacked.`, "It should be a zip of case files.", true);
  }
  let made = 0;
  for (const [name, bytes] of Object.entries(files)) {
    const why = await keptFrom(strFromU8(bytes));
    if (why === null) made++;
    else refused.push(`${name}: ${why}`);
  }
  if (count > Object.keys(files).length) refused.push(`only ${MOST_FILES} files of a zip are read.`);
  const found = made === 1 ? "1 case was put on the shelf." : `${made} cases were put on the shelf.`;
  tell(found, refused.slice(0, 6).join(" "), refused.length > 0);
}
/** Keeps a case. @returns why not; null where it is kept */
async function keptFrom(text: string): Promise<string | null> {
  if (!isCaseText(text)) return "this is no case.";
  try {
    const read = readCase(JSON.parse(text));
    if (!read.ok) return wrongIn(read.errors);
    await caseApi.create(read.case);
    return null;
  } catch (failure) {
    return `${(failure as Error).message}.`;
  }
}

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
