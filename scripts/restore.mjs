// npm run restore -- FILE
import { runBundled } from "./bundle.mjs";

process.argv.splice(2, 0, "restore");
await runBundled("scripts/backup-command.ts");
