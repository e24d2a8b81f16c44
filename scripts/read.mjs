import { runBundled } from "./bundle.mjs";

// npm run --silent read -- FILE: the case that a plain text makes.
await runBundled("scripts/read-command.ts");
