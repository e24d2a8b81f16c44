import { build } from "esbuild";
import { existsSync, readdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { packagesOutside } from "./bundle.mjs";
import { ownFolders } from "./ownFolders.mjs";

const root = fileURLToPath(new URL("..", import.meta.url));

/**
 * The rooms of the core as plain modules, for tests that look at it from outside: each import within it costs a look-up
 * otherwise, every time it is used, and random claims take half as long again.
 *
 * @returns {Promise<string>} the folder they lie in, one NAME.mjs a room
 */
export async function bundledCore() {
  // Each run has its own, so that two at a time do not write over each other.
  const outdir = join(root, `node_modules/.cache/pasear/core-${process.pid}`);
  process.once("exit", () => rmSync(outdir, { recursive: true, force: true }));
  const rooms = readdirSync(join(root, "core")).filter((room) => existsSync(join(root, "core", room, "index.ts")));
  await build({
    entryPoints: Object.fromEntries(rooms.map((room) => [room, join(root, "core", room, "index.ts")])),
    outdir,
    outExtension: { ".js": ".mjs" },
    bundle: true,
    splitting: true,
    platform: "node",
    format: "esm",
    target: "node20",
    sourcemap: true,
    logLevel: "error",
    plugins: [ownFolders, packagesOutside],
  });
  return outdir;
}
