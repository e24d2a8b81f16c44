import { readFile, readdir, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { promisify } from "node:util";
import { brotliCompress, constants, gzip } from "node:zlib";

const PRESSED = /\.(?:js|css|html|json|svg|webmanifest|wasm|txt)$/;
/** Smaller files gain nothing. */
const LEAST_BYTES = 1024;
/** The best there is takes five times as long, a third of the whole build, for a fortieth less. */
const QUALITY = 10;
/** Compiled code is long, is fetched by few, and hardly gains at all. */
const QUALITY_OF_COMPILED = 9;

const [asBrotli, asGzip] = [promisify(brotliCompress), promisify(gzip)];

/**
 * Puts beside each file of the page that is worth it what a browser is sent in its stead (`.br`, `.gz`).
 *
 * @param {string} folder
 */
export async function press(folder) {
  const files = (await readdir(folder, { recursive: true })).filter((name) => PRESSED.test(name));
  await Promise.all(
    files.map(async (name) => {
      const path = join(folder, name);
      const bytes = await readFile(path);
      if (bytes.length < LEAST_BYTES) return;
      const params = {
        [constants.BROTLI_PARAM_QUALITY]: name.endsWith(".wasm") ? QUALITY_OF_COMPILED : QUALITY,
        [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
      };
      await Promise.all([
        asBrotli(bytes, { params }).then((pressed) => writeFile(`${path}.br`, pressed)),
        asGzip(bytes, { level: constants.Z_BEST_COMPRESSION }).then((pressed) => writeFile(`${path}.gz`, pressed)),
      ]);
    }),
  );
}
