import { runBundled } from "./bundle.mjs";

await runBundled("bench/run.ts");
