import { readFileSync } from "node:fs";
import { understand } from "#core/entry";
import type { CaseFile } from "#core/model";
import { readCase } from "#shared/schemas/case";

const USAGE =
  "Usage: npm run --silent say -- CASE TEXT\nCASE is a case (NAME.pasear.json), or - for an empty one; " +
  "TEXT is a line as it is typed. Prints one JSON object.\n";
const EMPTY: CaseFile = { format: "pasear-case", version: 1, title: "Empty" };

/** The case of a file. @throws an error with a plain sentence */
function caseOf(name: string): CaseFile {
  if (name === "-") return EMPTY;
  let text: string;
  try {
    text = readFileSync(name, "utf8");
  } catch (failure) {
    throw new Error(`${name} could not be read: ${(failure as NodeJS.ErrnoException).code ?? "unknown reason"}.`);
  }
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\uFEFF/, ""));
  } catch (failure) {
    throw new Error(`${name} is not JSON: ${(failure as Error).message}.`);
  }
  const read = readCase(document);
  if (!read.ok) throw new Error(`${name} is no case: ${read.errors[0]!.message}`);
  return read.case;
}

/** What is printed for a line. */
function said(text: string, source: CaseFile): object {
  const found = understand(text, source);
  if (found.kind === "number") return { number: found.value };
  if (found.kind === "refused")
    return { message: found.message, at: found.at, ...(found.instead.length > 0 ? { instead: found.instead } : {}) };
  const entries = found.entries.flatMap((e) => [
    ...(e.kind === "function" && e.variable ? [{ kind: "variable", row: e.variable }] : []),
    { kind: e.kind, row: e.row },
  ]);
  return { entries };
}

function main(args: readonly string[]): number {
  if (args.length !== 2) {
    process.stderr.write(USAGE);
    return 2;
  }
  const [name = "", text = ""] = args;
  try {
    process.stdout.write(`${JSON.stringify(said(text, caseOf(name)))}\n`);
    return 0;
  } catch (failure) {
    process.stderr.write(`${(failure as Error).message}\n${USAGE}`);
    return 2;
  }
}

process.exitCode = main(process.argv.slice(2));
