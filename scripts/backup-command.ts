import { resolve } from "node:path";
import { backUp, restore } from "../server/db/backup";
import { openDatabase } from "../server/db/client";
import { readSettings } from "../server/utils/settings";

// npm run backup -- FILE, npm run restore -- FILE: all cases into a new file, and back; the server may go on working.
const [what, given, ...more] = process.argv.slice(2);
if ((what !== "backup" && what !== "restore") || !given || more.length > 0) {
  console.error(`Usage: npm run ${what === "restore" ? "restore" : "backup"} -- FILE`);
  process.exit(2);
}
const file = resolve(given);
const stamp = new Date().toISOString().replaceAll(/[:.]/g, "-");

try {
  const { databaseUrl, databaseToken, migrations } = readSettings(process.env);
  const present = await openDatabase(databaseUrl, migrations, databaseToken);
  try {
    if (what === "backup") {
      const { cases } = await backUp(present, file, migrations);
      console.log(`${cases} cases are in ${file}, checked.`);
    } else {
      const aside = `${file}.before-${stamp}`;
      const { cases } = await restore(file, present, aside, migrations);
      console.log(`${cases} cases of ${file} are in place. What was there before is in ${aside}.`);
    }
  } finally {
    present.close();
  }
} catch (failure) {
  console.error((failure as Error).message);
  process.exit(1);
}
