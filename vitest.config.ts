import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";
import { plainCore } from "./scripts/plainCore.mjs";

const folder = (path: string) => fileURLToPath(new URL(path, import.meta.url));

// Where tests are run again at each change, they see the sources themselves.
const plugins = process.argv.includes("run") ? [await plainCore()] : [];

export default defineConfig({
  plugins,
  resolve: {
    alias: [
      { find: /^~\/(.+)$/, replacement: folder("./app/$1") },
      { find: /^#core\/([\w-]+)$/, replacement: folder("./core/$1/index.ts") },
      { find: /^#shared\/(.+)$/, replacement: folder("./shared/$1") },
    ],
  },
  test: {
    include: [
      "core/**/*.test.ts",
      "shared/**/*.test.ts",
      "server/**/*.test.ts",
      "app/**/*.test.ts",
      "tests/unit/**/*.test.ts",
      "tests/oracle/**/*.test.ts",
      "tests/hostile/**/*.test.ts",
      "scripts/**/*.test.ts",
    ],
    setupFiles: ["tests/shared/seed.ts"],
    testTimeout: 60_000,
    // One for each core: the library keeps one core free, which is half of a small machine.
    maxWorkers: "100%",
    // The core keeps nothing between tests, so files of one thread share its modules: each anew costs a third more.
    pool: "threads",
    isolate: false,
  },
});
