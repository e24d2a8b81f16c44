// npm run pictures [NAME]: builds, and takes the pictures of docs/screenshots anew, or the one of that name.
// Look at them before they are committed.
import { build, install, runPackage } from "./lib.mjs";

const [name] = process.argv.slice(2);
await install();
await build();
const which = name ? ["-g", `^${name}$`] : [];
try {
  await runPackage("@playwright/test/cli.js", ["test", "-c", "playwright.pictures.config.ts", ...which]);
} catch {
  process.exit(1);
}
