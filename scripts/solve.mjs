import { runBundled } from "./bundle.mjs";

// The command's own file is bundled once and kept beside the installed packages; after that a call starts in a fraction
// of a second.
await runBundled("scripts/solve-command.ts");
