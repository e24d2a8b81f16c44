import { runBundled } from "./bundle.mjs";

// npm run --silent say -- CASE TEXT: what a typed line would do in a case.
await runBundled("scripts/say-command.ts");
