// What Stryker tells of each mutant as soon as it is known, so that a run that is cut says what it found until then.
import { appendFileSync, writeFileSync } from "node:fs";
import { PluginKind, declareClassPlugin } from "@stryker-mutator/api/plugin";

/** One mutant a line: its file, line, status, what it put in the place of what. */
export const TOLD_IN = process.env.PASEAR_TOLD ?? "node_modules/.cache/pasear/mutants.jsonl";

class AsTheyCome {
  onMutationTestingPlanReady({ mutantPlans }) {
    writeFileSync(TOLD_IN, "");
    console.log(`${mutantPlans.filter((p) => p.plan === "Run").length} mutants to be tried`);
  }
  onMutantTested({ fileName, location, status, mutatorName, replacement }) {
    const line = location.start.line + 1;
    appendFileSync(TOLD_IN, `${JSON.stringify({ file: fileName, line, status, mutatorName, replacement })}\n`);
    if (status === "Survived")
      console.log(`  survived: ${fileName}:${line} ${mutatorName} → ${replacement?.slice(0, 80)}`);
  }
}

export const strykerPlugins = [declareClassPlugin(PluginKind.Reporter, "as-they-come", AsTheyCome)];
