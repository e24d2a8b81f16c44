// npm start: everything a fresh machine needs to stand at the Lantern stall. Only Node's own modules here: nothing is
// installed yet.
import { createServer } from "node:net";
import { spawn } from "node:child_process";
import { join } from "node:path";
import { build, checkNode, install, root, runPackage } from "./lib.mjs";

checkNode();
// In a terminal only what went wrong is of interest.
const log = process.env.PASEAR_LOG || "warn";
const host = process.env.HOST || "127.0.0.1";
const wanted = process.env.PORT === undefined || process.env.PORT === "" ? 3000 : Number(process.env.PORT);
if (!Number.isInteger(wanted) || wanted < 1 || wanted > 65535) {
  console.error(`PORT is ${process.env.PORT}; it should be a whole number from 1 to 65535.`);
  process.exit(2);
}

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once("error", () => resolve(false));
    probe.listen({ port, host }, () => probe.close(() => resolve(true)));
  });
async function freePort() {
  for (let port = wanted; port <= Math.min(65535, wanted + 50); port++) if (await isFree(port)) return port;
  console.error(`No free port from ${wanted} to ${wanted + 50}; set PORT to another.`);
  process.exit(1);
}

await install();
const port = await freePort();
if (port !== wanted) console.log(`▸ port ${wanted} is taken; using ${port}`);

if (process.argv.includes("--dev")) {
  await runPackage("nuxt/bin/nuxt.mjs", ["dev", "--port", String(port), "--host", host]);
} else {
  await build();
  console.log("▸ starting; cases are kept in", process.env.DATABASE_URL || ".data/pasear.db");
  const server = spawn(process.execPath, [join(root, ".output/server/index.mjs")], {
    cwd: root,
    env: {
      ...process.env,
      HOST: host,
      PORT: String(port),
      NITRO_HOST: host,
      NITRO_PORT: String(port),
      PASEAR_LOG: log,
    },
    stdio: ["inherit", "ignore", "inherit"],
  });
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
  server.on("exit", (code) => process.exit(code ?? 0));
  const start = Date.now();
  for (;;) {
    const answer = await fetch(`http://${host}:${port}/api/ready`).catch(() => null);
    if (answer?.ok) break;
    if (Date.now() - start > 30_000) {
      console.error("The server did not come up within 30 s; what it said stands above.");
      server.kill();
      process.exit(1);
    }
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
  console.log(
    `\n  Pasear is ready: http://${host === "0.0.0.0" ? "127.0.0.1" : host}:${port}\n  ` +
      `The demo case "Lantern stall" is on the shelf. Ctrl+C stops.\n`,
  );
}
