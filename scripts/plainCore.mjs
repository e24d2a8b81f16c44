import { build } from "esbuild";
import { readdirSync, rmSync, statSync } from "node:fs";
import { dirname, join, relative, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { packagesOutside } from "./bundle.mjs";
import { ownFolders } from "./ownFolders.mjs";

const root = fileURLToPath(new URL("..", import.meta.url));
const core = join(root, "core");

const isFile = (path) => statSync(path, { throwIfNoEntry: false })?.isFile() ?? false;
/** What belongs to tests alone is left to the library of the tests. */
const isOfTests = (path) => /\.(test|fixture)\.ts$/.test(path);

/**
 * For the library of the tests: every file of the core as a plain module. As the library makes them, each import costs
 * a look-up every time it is used, and the tests of the core take half as long again.
 *
 * @returns {Promise<import("vite").Plugin>}
 */
export async function plainCore() {
  // Each run has its own, so that two at a time do not write over each other.
  const outdir = join(root, `node_modules/.cache/pasear/core-${process.pid}`);
  process.once("exit", () => rmSync(outdir, { recursive: true, force: true }));
  const files = readdirSync(core, { recursive: true }).filter((name) => name.endsWith(".ts") && !isOfTests(name));
  await build({
    entryPoints: files.map((name) => join(core, name)),
    outbase: core,
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
  const plain = (path) => join(outdir, relative(core, path).replace(/\.ts$/, ".mjs"));
  return {
    name: "plain-core",
    enforce: "pre",
    resolveId(wanted, importer) {
      const base = wanted.startsWith(".") && importer ? resolve(dirname(importer), wanted) : wanted;
      if (!base.startsWith(core)) return null;
      const file = [base, `${base}.ts`, join(base, "index.ts")].find(isFile);
      return file?.endsWith(".ts") && !isOfTests(file) ? { id: plain(file), external: true } : null;
    },
  };
}
