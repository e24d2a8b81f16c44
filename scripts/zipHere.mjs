import { fileURLToPath } from "node:url";

const here = fileURLToPath(new URL("../app/paper/zipHere.ts", import.meta.url));

/**
 * For the bundler: what writes workbooks packs them where it runs (app/paper/zipHere.ts says why).
 *
 * @type {() => import("vite").Plugin}
 */
export const zipHere = () => ({
  name: "zip-here",
  enforce: "pre",
  resolveId: (source, importer) => (source === "fflate" && importer?.includes("/write-excel-file/") ? here : null),
});
