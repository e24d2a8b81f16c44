import { expect, test } from "./server";

const small = { format: "pasear-case", version: 1, title: "Small" };

test("the API checks what comes in, and every refusal is a plain sentence without a stack", async ({ server }) => {
  const ask = async (path: string, method = "GET", body?: string) => {
    const r = await fetch(`${server.url}${path}`, { method, body, headers: { "content-type": "application/json" } });
    const text = await r.text();
    expect(text).not.toMatch(/\bat .*\.(m?js|ts)\b|node_modules|stack/);
    return {
      status: r.status,
      body: JSON.parse(text) as {
        message?: string;
        id?: string;
        revision?: number;
        data?: { errors?: { path: string }[] };
      },
    };
  };
  const post = (c: unknown) => ask("/api/cases", "POST", JSON.stringify({ case: c }));
  expect(await ask("/api/health")).toEqual({ status: 200, body: { status: "ok" } });
  const made = await post(small);
  expect([made.status, made.body.revision]).toEqual([201, 1]);
  expect(await post({ ...small, colour: "red" })).toMatchObject({
    status: 400,
    body: { message: "colour: The key `colour` is not known here.", data: { errors: [{ path: "colour" }] } },
  });
  expect(await post({ ...small, functions: [{ name: "f", of: "x", by: { kind: "formula" } }] })).toMatchObject({
    status: 400,
    body: { message: expect.stringContaining("functions[0].by.text") },
  });
  for (const [query, message] of [
    ["limit=0", "`limit` is a whole number from 1 to 1000."],
    ["limit=1001", "`limit` is a whole number from 1 to 1000."],
    ["limit=1&limit=2", "`limit` may stand once."],
    ["after=yesterday", "`after` is the time and the id of a case"],
    [`find=${"x".repeat(301)}`, "`find` may be at most 300 characters long."],
  ])
    expect(await ask(`/api/cases?${query}`)).toMatchObject({
      status: 400,
      body: { message: expect.stringContaining(message!) },
    });
  expect((await ask("/api/cases", "POST", '{"case":')).status).toBe(400);
  expect((await ask("/api/cases", "POST", "[]")).status).toBe(400);
  expect(await ask(`/api/cases/${made.body.id}`, "PUT", JSON.stringify({ case: small }))).toMatchObject({
    status: 400,
    body: { message: expect.stringContaining("revision") },
  });
  expect(await ask(`/api/cases/${made.body.id}`, "PUT", JSON.stringify({ case: small, revision: 7 }))).toMatchObject({
    status: 409,
    body: { message: expect.stringContaining("changed elsewhere") },
  });
  expect(await ask(`/api/cases/${made.body.id}`, "PUT", JSON.stringify({ case: small, revision: 1 }))).toMatchObject({
    status: 200,
    body: { revision: 2 },
  });
  expect((await ask("/api/cases/none")).status).toBe(404);
  expect((await ask("/api/cases/..%2f..%2fetc")).status).toBe(404);
  expect((await ask("/api/nowhere")).status).toBe(404);
  expect((await ask(`/api/cases/${made.body.id}`, "DELETE")).status).toBe(200);
  expect((await ask(`/api/cases/${made.body.id}`, "DELETE")).status).toBe(404);
  expect((await ask(`/api/cases/${made.body.id}/restore`, "POST")).status).toBe(200);
  expect((await ask("/schema/case-v1.json")).body).toMatchObject({ $id: "/schema/case-v1.json" });
});

test("a case that cannot be worked out is kept all the same, and an unknown address says so", async ({
  server,
  page,
}) => {
  const broken = {
    ...small,
    title: "Broken",
    variables: [{ name: "x" }],
    functions: [{ name: "f", of: "x", by: { kind: "formula", text: "12x +" } }],
  };
  await page.goto(`${server.url}/case/${await server.make(broken)}`);
  await expect(page.locator(".row .problem")).toContainText("stops after the plus");
  await expect(page.getByRole("button", { name: /^Formula of f/ })).toContainText("12x +");
  await page.goto(`${server.url}/case/no-such-case`);
  await expect(page.getByText("There is no such case; it may have been deleted.")).toBeVisible();
});

test("a plan is worked out beside the server, line by line, and bad requests are refused in words", async ({
  server,
}) => {
  const post = (body: unknown) =>
    fetch(`${server.url}/api/plan`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
  const bare = { format: "pasear-case", version: 1, title: "T" };
  for (const [body, message] of [
    [{}, "The request needs a `case`."],
    [{ case: bare }, "The case has no plan."],
    [{ case: bare, seconds: -1 }, "`seconds` is a number from 0 to 300."],
    [{ case: bare, more: 1 }, "The key `more` is not known here."],
  ] as const) {
    const answer = await post(body);
    expect(answer.status).toBe(400);
    expect(((await answer.json()) as { message: string }).message).toBe(message);
  }
  const plan = {
    variables: [{ name: "x", whole: true }, { name: "y" }],
    constraints: [
      { id: "A", text: "2x + 3y <= 240" },
      { id: "B", text: "4x + 2y <= 321" },
      { id: "C", text: "y >= 0" },
    ],
    objective: { text: "3.5x + 4y", sense: "greatest" },
  };
  const lines = (await (await post({ case: { ...bare, plan }, seconds: 20 })).text())
    .trim()
    .split("\n")
    .map((l) => JSON.parse(l) as { result?: { status: string; whole: { at: number[]; value: number } } });
  // x = 60 and y = 40: x = 60.375 is the corner of 321; with x whole y = (240 − 2x)/3 at x = 60: 370.
  expect(lines.at(-1)!.result).toMatchObject({ status: "optimal", whole: { at: [60, 40], value: 370 } });
  const broken = (
    await (await post({ case: { ...bare, plan: { ...plan, constraints: [{ id: "A", text: "x y <= 3" }] } } })).text()
  ).trim();
  expect((JSON.parse(broken) as { message: string }).message).toMatch(/multiplies variables/);
});
