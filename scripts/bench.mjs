// npm run bench: the ratios of docs/benchmarks.md. npm run bench -- claims [COUNT] [SEED]: random claims against plain
// values. npm run bench -- read: how much of the stories in demo/stories is read. npm run bench -- load [SECONDS]
// [BROWSERS]: many browsers at once. npm run bench -- working [STEPS] [SEED]: our own problems worked, and random steps
// judged.
import { runBundled } from "./bundle.mjs";

const [what] = process.argv.slice(2);
const PARTS = { claims: "bench/claims.ts", load: "bench/load.ts", read: "bench/read.ts", working: "bench/working.ts" };
await runBundled(PARTS[what] ?? "bench/run.ts");
