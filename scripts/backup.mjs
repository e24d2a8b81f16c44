// npm run backup -- FILE
import { runBundled } from "./bundle.mjs";

process.argv.splice(2, 0, "backup");
await runBundled("scripts/backup-command.ts");
