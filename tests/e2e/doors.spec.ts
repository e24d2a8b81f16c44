import { createServer, request } from "node:http";
import type { AddressInfo } from "node:net";
import { ROUTES } from "../../server/utils/doors";
import { Chance } from "../shared/chance";
import { spoiltDocument, spoiltText } from "../hostile/spoil";
import { manySteps } from "../shared/manySteps";
import { expect, test } from "./server";

test.use({ tab: "own" });

const outside = { format: "pasear-case", version: 1, title: "From outside" };
const json = { "content-type": "application/json" };
const small = JSON.stringify({ case: outside });
const METHODS = ["GET", "POST", "PUT", "DELETE", "PATCH", "OPTIONS"] as const;

interface Answer {
  readonly status: number;
  readonly text: string;
  readonly policy: string;
}
/** A request as it is, with headers that `fetch` would not let through. */
const ask = (port: number, path: string, method: string, headers: Record<string, string>, body?: string) =>
  new Promise<Answer>((resolve, reject) => {
    const r = request({ host: "127.0.0.1", port, path, method, headers, agent: false }, (a) => {
      let text = "";
      a.on("data", (d: Buffer) => (text += d.toString()));
      a.on("end", () =>
        resolve({ status: a.statusCode!, text, policy: String(a.headers["content-security-policy"] ?? "") }),
      );
    });
    r.on("error", reject);
    r.end(body);
  });

test("every route as a stranger: by another name, from another website, with a method it does not have", async ({
  server,
}) => {
  const id = await server.make(outside);
  const all = async () => (await server.cases()).map((c) => [c.id, c.title, c.revision]);
  const before = await all();
  for (const { name, methods } of ROUTES) {
    const path = name.replace("ID", id).replace(/\/N$/, "/1");
    for (const method of METHODS) {
      const named = await ask(server.port, path, method, { ...json, host: "elsewhere.example" });
      expect(named.status, `${method} ${path} by another name`).toBe(421);
      const hasBody = method.startsWith("P");
      const origin = { ...json, origin: "https://elsewhere.example" };
      const foreign = await ask(server.port, path, method, origin, hasBody ? small : undefined);
      const isKnown = methods.some((m) => m === method);
      const wanted = !isKnown ? 405 : method === "GET" ? 200 : 403;
      expect(foreign.status, `${method} ${path} from another website`).toBe(wanted);
      expect(foreign.policy, `${method} ${path}`).toContain("default-src 'none'");
      if (isKnown && method !== "GET" && method !== "DELETE" && !path.endsWith("restore")) {
        const form = await ask(server.port, path, method, { "content-type": "text/plain" }, small);
        expect(form.status, `${method} ${path} as plain text`).toBe(415);
      }
    }
  }
  expect(await all()).toEqual(before);
});

test("a page of another website changes nothing and reads nothing", async ({ page, server, faults }) => {
  const stranger = createServer((_, res) => res.setHeader("content-type", "text/html").end("<p>elsewhere</p>"));
  await new Promise<void>((resolve) => stranger.listen(0, "127.0.0.1", resolve));
  const count = (await server.cases()).length;
  await page.goto(`http://127.0.0.1:${(stranger.address() as AddressInfo).port}/`);
  const read = await page.evaluate(
    async ([url, text]) => {
      const bodies: [BodyInit, string][] = [
        [new Blob([text!], { type: "application/json" }), "cors"],
        [new Blob([text!]), "no-cors"],
        [text!, "no-cors"],
        [new URLSearchParams({ case: text! }), "no-cors"],
        [Object.assign(new FormData(), {}), "no-cors"],
      ];
      for (const [body, mode] of bodies)
        await fetch(`${url}/api/cases`, { method: "POST", body, mode: mode as RequestMode }).catch(() => null);
      return fetch(`${url}/api/cases`)
        .then((r) => r.text())
        .catch(() => null);
    },
    [server.url, small] as const,
  );
  expect(read).toBeNull();
  expect((await server.cases()).length).toBe(count);
  stranger.close();
  // The browser complains of what the stranger's page tried, and of nothing else.
  expect(faults.filter((f) => !/CORS|ERR_FAILED|Failed to load resource/.test(f))).toEqual([]);
  faults.length = 0;
});

test("what is too long, too deep or too wrong is refused in words, and the next request is answered", async ({
  server,
}) => {
  const post = async (body: string) => {
    const r = await fetch(`${server.url}/api/cases`, { method: "POST", headers: json, body });
    return [r.status, ((await r.json()) as { message: string }).message] as const;
  };
  const of = (more: string) => `{"case":{"format":"pasear-case","version":1,"title":"T",${more}}}`;
  expect(await post(of(`"notes":${"[".repeat(4500)}${"]".repeat(4500)}`))).toEqual([
    400,
    "The request is nested deeper than 100 levels.",
  ]);
  const [status, message] = await post(
    of(`"data":[{"name":"D","columns":[{"name":"x"}],"rows":[${Array(200_000).fill('["a"]').join(",")}]}]`),
  );
  expect([status, message.length < 5000]).toEqual([400, true]);
  expect(message).toContain("data[0].rows[0][0]: This should be a number, or null for none.");
  expect((await post(of('"notes":"a\\\\u0000b"')))[0]).toBe(201);
  expect((await post(of('"notes":"a\\u0000b"')))[1]).toContain("a character of code 0");
  // A body of which the length is not told is not read beyond what it may be.
  const answer = await new Promise<number | string>((resolve) => {
    const r = request(
      { host: "127.0.0.1", port: server.port, path: "/api/cases", method: "POST", headers: json, agent: false },
      (a) => resolve(a.resume().statusCode!),
    );
    r.on("error", (e) => resolve((e as NodeJS.ErrnoException).code ?? e.message));
    let sent = 0;
    const more = () => {
      while (sent < 60) {
        sent++;
        if (!r.write("x".repeat(1e6))) return void r.once("drain", more);
      }
      r.end();
    };
    more();
  });
  expect([413, "ECONNRESET", "EPIPE"]).toContain(answer);
  expect((await fetch(`${server.url}/api/health`)).status).toBe(200);
});

test("a case that takes long to work out holds nobody up", async ({ server }) => {
  await server.make(manySteps(40));
  // Its summary, which takes longest, is not there yet: nothing waited for it.
  const heavyOne = (await server.cases()).find((c) => c.title === "Many steps") as unknown as { summary: null };
  expect(heavyOne.summary).toBeNull();
});

test("requests that are spoilt in every way are refused in words, and nothing is kept of them", async ({ server }) => {
  const stall = await server.case("Lantern stall");
  const before = (await server.cases()).map((c) => `${c.id} ${c.revision}`);
  const good = JSON.stringify({ case: stall.case, revision: stall.revision + 7 });
  const statuses = new Map<number, number>();
  for (let i = 0; i < 300; i++) {
    const c = new Chance(i);
    const own = `/api/cases/${stall.id}`;
    const path = c.of(["/api/cases", own, `${own}/restore`, "/api/plan", "/api/cases/%00"]);
    const body = c.once(2) ? spoiltText(good, c) : JSON.stringify(spoiltDocument(JSON.parse(good), c));
    const answer = await fetch(`${server.url}${path}`, {
      method: c.of(["POST", "PUT", "DELETE", "PATCH"]),
      headers: { ...json, ...(c.once(5) ? { "x-request-id": encodeURIComponent(c.of(["<", "é", "\n"])) } : {}) },
      body,
    });
    const said = await answer.text();
    statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
    expect(answer.status, `${i}: ${body.slice(0, 300)} ${said.slice(0, 300)}`).toBeLessThan(500);
    expect(said).not.toMatch(/\bat \w+ \(|node_modules|undefined|\bNaN\b/);
    // Deleting is a sound request.
    if (answer.ok && path === own) await fetch(`${server.url}${own}/restore`, { method: "POST", headers: json });
  }
  expect(statuses.get(400)).toBeGreaterThan(20);
  const after = (await server.cases()).map((c) => `${c.id} ${c.revision}`);
  expect(before.filter((b) => !after.includes(b))).toEqual([]);
});
