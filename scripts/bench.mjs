// npm run bench: the ratios of docs/benchmarks.md. npm run bench -- claims [COUNT] [SEED]: random claims against plain
// values.
import { runBundled } from "./bundle.mjs";

await runBundled(process.argv[2] === "claims" ? "bench/claims.ts" : "bench/run.ts");
