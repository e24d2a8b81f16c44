import type { CaseFile } from "#core/model";
import type { ShapeProblem } from "#shared/schemas/case";
import { takenCase } from "#shared/schemas/mended";
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

/** Files of one zip. */
const MOST_FILES = 1000;
/** Of what was mended or refused, so many are named. */
const MOST_TOLD = 6;

/** All cases of a zip are put on the shelf; each whole or not at all, and what is no case is told by its name. */
export async function takeZip(file: File, tell: Tell): Promise<void> {
  const { unzipSync, strFromU8 } = await import("fflate");
  const refused: string[] = [];
  const mended: string[] = [];
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
    const kept = await keptFrom(strFromU8(bytes), titleOf(name));
    if (!kept.ok) refused.push(`${name}: ${kept.why}`);
    else {
      made++;
      if (kept.mended.length > 0) mended.push(`${name}: ${mendedWords(kept.mended)}`);
    }
  }
  if (count > Object.keys(files).length) refused.push(`only ${MOST_FILES} files of a zip are read.`);
  const found = made === 1 ? "1 case was put on the shelf." : `${made} cases were put on the shelf.`;
  tell(found, [...refused, ...mended].slice(0, MOST_TOLD).join(" "), refused.length > 0);
}
type Kept = { readonly ok: true; readonly mended: readonly string[] } | { readonly ok: false; readonly why: string };

async function keptFrom(text: string, title: string): Promise<Kept> {
  if (!isCaseText(text)) return { ok: false, why: "this is no case." };
  try {
    const taken = takenCase(read(text), title);
    if (!taken.ok) return { ok: false, why: wrongIn(taken.errors) };
    await caseApi.create(taken.case);
    return { ok: true, mended: taken.mended };
  } catch (failure) {
    return { ok: false, why: `${(failure as Error).message}.` };
  }
}

/** A file may begin with a mark of its alphabet, which is no JSON. */
const read = (text: string): unknown => JSON.parse(text.replace(/^\uFEFF/, ""));
const titleOf = (file: string): string =>
  file
    .replace(/^.*[\\/]/, "")
    .replace(/(?:\.pasear)?\.json$/i, "")
    .replaceAll(/[-_]+/g, " ")
    .trim() || UNTITLED;
/** A case without a title that comes without a file. */
const UNTITLED = "Case from elsewhere";

function mendedWords(mended: readonly string[]): string {
  const more = mended.length > MOST_TOLD ? `; and ${mended.length - MOST_TOLD} more` : "";
  return `Mended: ${mended.slice(0, MOST_TOLD).join("; ")}${more}.`;
}

/** What a case holds, counted: "2 givens, 1 function, a plan". */
export function foundIn(c: CaseFile): string {
  const counted = (n: number | undefined, one: string) => (n ? [`${n} ${one}${n === 1 ? "" : "s"}`] : []);
  const parts = [
    ...(c.story?.text ? ["a story"] : []),
    ...counted(c.givens?.length, "given"),
    ...counted(c.variables?.length, "variable"),
    ...counted(c.data?.length, "table"),
    ...counted(c.functions?.length, "function"),
    ...counted(c.questions?.length, "question"),
    ...(c.plan ? ["a plan"] : []),
  ];
  return parts.length > 0 ? `Found: ${parts.join(", ")}.` : "It is empty but for its title.";
}

/**
 * A case is put on the shelf and opened, with what it holds and what was mended; or refused whole with the first of
 * what is wrong in it.
 * @param kept  what is said of where one came from
 * @param file  the name of the file it stands in
 */
export async function takeCase(text: string, tell: Tell, kept: string, file = ""): Promise<void> {
  let document: unknown;
  try {
    document = read(text);
  } catch (failure) {
    return tell("This case cannot be read.", `${(failure as Error).message}.`, true);
  }
  const taken = takenCase(document, titleOf(file));
  if (!taken.ok) return tell("This case cannot be read.", wrongIn(taken.errors), true);
  try {
    const made = await caseApi.create(taken.case);
    await navigateTo(`/case/${made.id}`);
    const mended = taken.mended.length > 0 ? [mendedWords(taken.mended)] : [];
    const says = [foundIn(taken.case), ...mended, kept].filter(Boolean).join(" ");
    tell(`“${taken.case.title}” was put on the shelf and opened.`, says);
  } catch (failure) {
    tell("The case could not be put on the shelf.", (failure as Error).message, true);
  }
}

function wrongIn([first, ...others]: readonly ShapeProblem[]): string {
  const more = others.length > 0 ? ` And ${others.length} more.` : "";
  return `${first!.path ? `${first!.path}: ` : ""}${first!.message}${more}`;
}
