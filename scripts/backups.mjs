// npm run backup -- FILE, npm run restore -- FILE
import { runBundled } from "./bundle.mjs";

await runBundled("scripts/backup-command.ts");
