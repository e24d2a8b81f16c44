import { execFile } from "node:child_process";
import { request } from "node:http";
import { join } from "node:path";
import { promisify } from "node:util";
import { expect, test, type TestServer } from "./server";

// The server is stopped, and its log is read.
test.use({ alone: true, tab: "own" });

// What somebody who runs the server relies on.
interface Line {
  level: string;
  id?: string;
  path?: string;
  status?: number;
}
const lines = (server: TestServer): Line[] =>
  server.log
    .split("\n")
    .filter((l) => l.startsWith("{"))
    .map((l) => JSON.parse(l) as Line);
const SECRET = "nobody else may read this";
const document = { format: "pasear-case", version: 1, title: SECRET };

test("every request has an id, and the log tells how it went, but not what the case says", async ({ server }) => {
  const id = await server.make(document);
  const answer = await fetch(`${server.url}/api/cases/${id}`, { headers: { "x-request-id": "from-the-proxy-7" } });
  expect(answer.headers.get("x-request-id")).toBe("from-the-proxy-7");
  const missing = await fetch(`${server.url}/api/cases/nothing?q=1`, { headers: { "x-request-id": "bad id\t{}" } });
  const fresh = missing.headers.get("x-request-id")!;
  expect(fresh).toMatch(/^[0-9a-f-]{36}$/);
  await expect
    .poll(() => lines(server).find((l) => l.id === fresh))
    .toMatchObject({
      level: "warn",
      method: "GET",
      path: "/api/cases/nothing",
      status: 404,
    });
  expect(lines(server).find((l) => l.id === "from-the-proxy-7")).toMatchObject({ level: "info", status: 200 });
  expect(server.log).not.toContain(SECRET);
  expect(server.log).not.toContain("127.0.0.1");
});

test("a request that is under way when the server is stopped is answered, and everything is closed", async ({
  server,
}) => {
  const text = JSON.stringify({ case: document });
  const headers = {
    "content-type": "application/json",
    "content-length": Buffer.byteLength(text),
    expect: "100-continue",
  };
  const asked = request({ host: "127.0.0.1", port: server.port, path: "/api/cases", method: "POST", headers });
  const answered = new Promise<number>((resolve, reject) => {
    asked.on("error", reject);
    asked.on("response", (answer) => resolve(answer.resume().statusCode!));
  });
  const isThere = new Promise((resolve) => asked.once("continue", resolve));
  asked.flushHeaders();
  await isThere;
  const stopped = server.stop();
  // The rest comes when nobody else is let in any more.
  const isClosed = () => fetch(`${server.url}/api/health`).then(Boolean, () => false);
  await expect.poll(isClosed).toBe(false);
  asked.end(text);
  expect([await answered, await stopped]).toEqual([201, 0]);
  expect(lines(server).at(-1)).toMatchObject({ level: "info", msg: "stopped" });
  await server.start();
  expect((await server.cases()).map((c) => c.title)).toContain(SECRET);
});

test("ready is one thing, running another; behind a proxy https is insisted on", async ({ server }) => {
  const ask = async (path: string) => (await fetch(`${server.url}${path}`)).json() as Promise<unknown>;
  expect([await ask("/api/health"), await ask("/api/ready")]).toEqual([{ status: "ok" }, { status: "ready" }]);
  expect((await fetch(server.url)).headers.get("strict-transport-security")).toBeNull();
  await server.stop();
  await server.start({ PASEAR_PROXY: "yes", PASEAR_RATE: "1" });
  expect((await fetch(server.url)).headers.get("strict-transport-security")).toContain("max-age=31536000");
  // Each caller behind the proxy has a rate of its own, and none can take another's name.
  const asOne = (forwarded: string) => fetch(`${server.url}/api/health`, { headers: { "x-forwarded-for": forwarded } });
  const statuses = async (count: number, forwarded: (i: number) => string) => {
    const answers = await Promise.all(Array.from({ length: count }, (_, i) => asOne(forwarded(i))));
    return answers.filter((a) => a.status === 429).length;
  };
  expect(await statuses(30, (i) => `10.0.0.${i}, 10.1.1.1`)).toBeGreaterThan(10);
  expect(await statuses(5, () => "10.2.2.2")).toBe(0);
});

test("a setting that is wrong is told in words, and nothing starts", async () => {
  const start = (settings: Record<string, string>) =>
    promisify(execFile)(process.execPath, [".output/server/index.mjs"], {
      env: { ...process.env, PORT: "0", ...settings },
      timeout: 60_000,
    }).then(
      () => "it started",
      (failure: { code: number; stderr: string }) => `${failure.code}: ${failure.stderr.trim()}`,
    );
  expect(await start({ PASEAR_LOG: "loud" })).toBe(
    "2: PASEAR_LOG is loud; it should be one of debug, info, warn, error, silent.",
  );
  expect(await start({ DATABASE_URL: "cases.db" })).toContain(
    "2: DATABASE_URL is cases.db; it should begin with file:",
  );
});

test("a backup is made and put back while the server works", async ({ server }, info) => {
  const id = await server.make(document);
  const file = join(info.outputDir, "backup.db");
  const command = (name: string) =>
    promisify(execFile)(process.execPath, ["scripts/backups.mjs", name, file], {
      env: { ...process.env, DATABASE_URL: `file:${server.file}` },
    });
  const count = (await server.cases()).length;
  expect((await command("backup")).stdout).toContain(`${count} cases are in ${file}, checked.`);
  expect((await server.put(id, { case: { ...document, title: "Changed" }, revision: 1 })).status).toBe(200);
  await server.make({ ...document, title: "New" });
  expect((await command("restore")).stdout).toContain(`${count} cases of ${file} are in place.`);
  const titles = (await server.cases()).map((c) => c.title);
  expect([titles.length, titles.includes(SECRET), titles.includes("New")]).toEqual([count, true, false]);
});
