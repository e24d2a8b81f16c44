// npm run bench: the ratios of docs/benchmarks.md. npm run bench -- claims [COUNT] [SEED]: random claims against plain
// values. npm run bench -- load [SECONDS] [BROWSERS]: many browsers at once.
import { runBundled } from "./bundle.mjs";

const [what] = process.argv.slice(2);
await runBundled(what === "claims" ? "bench/claims.ts" : what === "load" ? "bench/load.ts" : "bench/run.ts");
