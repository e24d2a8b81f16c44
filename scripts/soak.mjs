// npm run soak [KILLS]: builds, and kills the server so many times (500) while it writes. About a second for each.
import { build, install, runPackage } from "./lib.mjs";

const kills = process.argv[2] ?? "500";
if (!/^\d+$/.test(kills)) {
  console.error(`${kills} is no number of kills; a whole number should stand there.`);
  process.exit(2);
}
await install();
await build();
try {
  await runPackage("@playwright/test/cli.js", ["test", "--no-deps", "kills"], { env: { PASEAR_KILLS: kills } });
} catch {
  process.exit(1);
}
