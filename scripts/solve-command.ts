import { readFileSync } from "node:fs";
import { readCase } from "#shared/schemas/case";
import { buildModel } from "#core/model";
import { solvePlan } from "#core/plan";
import { planByCompiled } from "#shared/compiledPlan";
import { solveReport } from "#shared/solveReport";

const USAGE =
  "Usage: npm run --silent solve -- FILE\nFILE is a case (NAME.pasear.json), or - for " +
  "standard input. Prints one JSON object.\n";

async function main(args: readonly string[]): Promise<number> {
  if (args.length !== 1 || args[0] === "--help" || args[0] === "-h") {
    process.stderr.write(USAGE);
    return 2;
  }
  let text: string;
  try {
    text = readFileSync(args[0] === "-" ? 0 : args[0]!, "utf8");
  } catch (failure) {
    process.stderr.write(
      `${args[0]} could not be read: ${(failure as NodeJS.ErrnoException).code ?? "unknown reason"}.\n${USAGE}`,
    );
    return 2;
  }
  const print = (value: unknown) => process.stdout.write(`${JSON.stringify(value)}\n`);
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\uFEFF/, ""));
  } catch (failure) {
    const at = /position (\d+)/.exec((failure as Error).message)?.[1];
    print({
      errors: [
        { path: "", message: `This is not JSON: ${(failure as Error).message}.`, ...(at ? { at: Number(at) } : {}) },
      ],
    });
    return 1;
  }
  const shape = readCase(document);
  if (!shape.ok) {
    print({ errors: shape.errors });
    return 1;
  }
  // The compiled solver is loaded only where a plan may need it.
  const highs =
    shape.case.plan &&
    solvePlan(shape.case.plan, buildModel({ ...shape.case, functions: [], questions: [] }).names).unsettled
      ? await (await import("highs")).default()
      : null;
  const report = solveReport(shape.case, highs && ((plan, names) => planByCompiled(highs, plan, names)));
  print(report);
  return "errors" in report ? 1 : 0;
}

process.exitCode = await main(process.argv.slice(2));
