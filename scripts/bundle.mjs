import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, renameSync, statSync } from "node:fs";
import { basename, dirname, join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { ownFolders } from "./ownFolders.mjs";

/** Packages are found where they are installed. */
export const packagesOutside = {
  name: "packages-outside",
  setup(made) {
    made.onResolve({ filter: /^[^./#]/ }, ({ path, kind }) =>
      kind === "entry-point" ? undefined : { path, external: true },
    );
  },
};

const root = fileURLToPath(new URL("..", import.meta.url));

/** Newest change below the folders a command is made of, in ms. */
function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path).reduce(
    (latest, name) =>
      name.endsWith(".json") || name.endsWith(".test.ts") ? latest : Math.max(latest, newest(join(path, name))),
    stat.mtimeMs,
  );
}

/** Bundles a TypeScript entry (when its sources changed) and runs it; packages stay outside the bundle. */
export async function runBundled(entry) {
  const stamp = Math.max(
    ...["core", "shared", "server", "scripts", "bench", "tests/oracle", "tests/shared", "package.json", entry].map(
      (p) => newest(join(root, p)),
    ),
  );
  const key = createHash("sha256").update(`${entry}:${stamp}`).digest("hex").slice(0, 16);
  const file = join(root, "node_modules/.cache/pasear", `${basename(entry, ".ts")}-${key}.mjs`);
  if (!existsSync(file)) {
    const { build } = await import("esbuild");
    mkdirSync(dirname(file), { recursive: true });
    const part = `${file}.${process.pid}`;
    await build({
      entryPoints: [join(root, entry)],
      outfile: part,
      bundle: true,
      platform: "node",
      format: "esm",
      target: "node20",
      logLevel: "error",
      plugins: [ownFolders, packagesOutside],
    });
    renameSync(part, file);
  }
  await import(pathToFileURL(file).href);
}
