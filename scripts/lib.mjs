import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from "node:fs";
import { createHash } from "node:crypto";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = fileURLToPath(new URL("..", import.meta.url));
const seconds = (ms) => `${(ms / 1000).toFixed(1)} s`;

/** Says what is being done, does it, and says how long it took. */
export async function step(what, work) {
  console.log(`▸ ${what}`);
  const start = Date.now();
  const result = await work();
  console.log(`  ${what}: done in ${seconds(Date.now() - start)}`);
  return result;
}

/** Runs a program to its end; rejects with its exit code. */
export function run(command, args, { env = {}, quiet = false } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: root,
      stdio: quiet ? ["ignore", "pipe", "pipe"] : "inherit",
      env: { ...process.env, NUXT_TELEMETRY_DISABLED: "1", ...env },
    });
    let said = "";
    child.stdout?.on("data", (d) => {
      said += d;
    });
    child.stderr?.on("data", (d) => {
      said += d;
    });
    child.on("error", reject);
    child.on("close", (code) => {
      if (code === 0) {
        resolve(said);
        return;
      }
      if (quiet) process.stderr.write(said);
      reject(Object.assign(new Error(`${command} ${args.join(" ")} ended with ${code}`), { code }));
    });
  });
}
/** A program of an installed package, run by this Node.js. */
export const runPackage = (file, args, options) =>
  run(process.execPath, [join(root, "node_modules", file), ...args], options);

export function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Pasear needs Node.js 20.19 or later; this is ${process.versions.node}.`);
    process.exit(1);
  }
}

const stampFile = (name) => join(root, "node_modules/.cache/pasear", name);
const readStamp = (name) => (existsSync(stampFile(name)) ? readFileSync(stampFile(name), "utf8") : "");
function writeStamp(name, value) {
  mkdirSync(dirname(stampFile(name)), { recursive: true });
  writeFileSync(stampFile(name), value);
}

const hash = (parts) => parts.reduce((h, p) => h.update(p), createHash("sha256")).digest("hex");

/** Installs exactly what the lock file says, when that has not been done for this lock file. */
export async function install() {
  const wanted = hash([readFileSync(join(root, "package-lock.json"))]);
  if (existsSync(join(root, "node_modules/nuxt")) && readStamp("installed") === wanted) return;
  await step("installing packages (about two minutes the first time)", () =>
    run("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"]),
  );
  writeStamp("installed", wanted);
}

const SOURCES = ["app", "core", "demo", "public", "server", "shared", "nuxt.config.ts", "package-lock.json"];
function contents(path, out = []) {
  const full = join(root, path);
  if (statSync(full).isDirectory()) {
    for (const name of readdirSync(full).sort())
      if (!name.endsWith(".test.ts") && name !== "fixtures") contents(`${path}/${name}`, out);
  } else out.push(path, readFileSync(full));
  return out;
}

/** Builds the application when its sources are not those of the last build. */
export async function build() {
  const wanted = hash(SOURCES.filter((p) => existsSync(join(root, p))).flatMap((p) => contents(p)));
  if (existsSync(join(root, ".output/server/index.mjs")) && readStamp("built") === wanted) {
    console.log("▸ the build is up to date");
    return;
  }
  await step("building (about a minute)", () => runPackage("nuxt/bin/nuxt.mjs", ["build"], { quiet: true }));
  writeStamp("built", wanted);
}

/** Whether the types that Nuxt writes are there; lint and the type check need them. */
export const prepare = () =>
  step("preparing types", () => runPackage("nuxt/bin/nuxt.mjs", ["prepare"], { quiet: true }));
