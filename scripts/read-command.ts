import { readFileSync } from "node:fs";
import { caseOfStory, MOST_READ } from "#core/reading";

const USAGE =
  "Usage: npm run --silent read -- FILE\nFILE is a plain text, or - for standard input. " +
  "Prints the case it makes as one JSON object; what was left out stands under notes.\n";

function main(args: readonly string[]): number {
  const [name] = args;
  if (args.length !== 1 || name === undefined || name === "--help" || name === "-h") {
    process.stderr.write(USAGE);
    return 2;
  }
  let text: string;
  try {
    text = readFileSync(name === "-" ? 0 : name, "utf8");
  } catch (failure) {
    const reason = (failure as NodeJS.ErrnoException).code ?? "unknown reason";
    process.stderr.write(`${name} could not be read: ${reason}.\n${USAGE}`);
    return 2;
  }
  const read = caseOfStory(text.replace(/^\uFEFF/, "").replaceAll("\r\n", "\n"));
  const cut = text.length > MOST_READ ? [`Only the first ${MOST_READ} characters were read.`] : [];
  process.stdout.write(`${JSON.stringify({ ...read, notes: [...read.notes, ...cut] })}\n`);
  return 0;
}

process.exitCode = main(process.argv.slice(2));
