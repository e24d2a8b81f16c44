import { expect, test, TestServer } from "./server";

// The server is killed, and another works on its database.
test.use({ alone: true, tab: "own" });

/**
 * Two processes on one database, as behind one proxy: on one file, or on a libSQL server that begins empty
 * (`PASEAR_LIBSQL=http://127.0.0.1:8080 npx playwright test --project views --workers 1 together`).
 */
const LIBSQL = process.env.PASEAR_LIBSQL;
const settings: Record<string, string> = LIBSQL ? { DATABASE_URL: LIBSQL } : {};

const document = (value: number) => ({
  format: "pasear-case",
  version: 1,
  title: "Written by many",
  givens: [{ name: "F", value }],
});

test("two processes that start at once on an empty database put the demo in once", async ({ server }) => {
  await server.kill();
  const file = `${server.file}.new`;
  const both = [new TestServer(file), new TestServer(file)];
  try {
    await Promise.all(both.map((s) => s.start(settings)));
    const titles = (await both[0]!.cases()).map((c) => c.title);
    expect(titles.length).toBeGreaterThan(10);
    expect(new Set(titles).size).toBe(titles.length);
  } finally {
    await Promise.all(both.map((s) => s.kill()));
  }
});

test("two server processes on one database behave as one: of two writes from one revision exactly one is kept", async ({
  server,
}) => {
  const other = new TestServer(server.file);
  if (LIBSQL) {
    await server.kill();
    await server.start(settings);
  }
  await other.start(settings);
  try {
    const id = await server.make(document(0));
    // Each writer reads, adds one, and tries again where somebody else was first: every one of them is in the sum.
    const add = async (at: TestServer): Promise<number> => {
      for (let tries = 1; ; tries++) {
        const now = (await (await fetch(`${at.url}/api/cases/${id}`)).json()) as {
          revision: number;
          case: ReturnType<typeof document>;
        };
        const put = await at.put(id, { case: document(now.case.givens[0]!.value + 1), revision: now.revision });
        if (put.status === 200) return tries;
        expect(put.status).toBe(409);
      }
    };
    const tries = await Promise.all(Array.from({ length: 40 }, (_, i) => add(i % 2 === 0 ? server : other)));
    expect(Math.max(...tries)).toBeGreaterThan(1);
    for (const at of [server, other]) {
      const kept = (await (await fetch(`${at.url}/api/cases/${id}`)).json()) as unknown;
      expect(kept).toMatchObject({ revision: 41, case: document(40) });
    }
    // A case asked for at both with one id is made once; one deleted here is gone there.
    const make = (at: TestServer) =>
      fetch(`${at.url}/api/cases`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ id: "made-once", case: document(1) }),
      });
    expect((await Promise.all([make(server), make(other)])).map((r) => r.status)).toEqual([201, 201]);
    expect((await other.cases()).filter((c) => c.id === "made-once")).toHaveLength(1);
    await fetch(`${server.url}/api/cases/made-once`, { method: "DELETE" });
    expect((await fetch(`${other.url}/api/cases/made-once`)).status).toBe(404);
    // The demo cases were put in by one of them alone.
    const titles = (await other.cases()).map((c) => c.title);
    expect(new Set(titles).size).toBe(titles.length);
  } finally {
    await other.kill();
  }
});
