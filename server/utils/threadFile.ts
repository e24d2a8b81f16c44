import { existsSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

/** A thread's file, bundled beside the server when it is built (nuxt.config.ts); null where nothing is built. */
export function threadFile(name: string): string | null {
  const places = [
    dirname(fileURLToPath(import.meta.url)),
    dirname(process.argv[1] ?? ""),
    join(process.cwd(), ".output/server"),
  ].map((folder) => join(folder, `threads/${name}.mjs`));
  return places.find((p) => existsSync(p)) ?? null;
}
