import { describe, expect, it } from "vitest";
import { ROUTES, Turnstile, turnedAway, type Knock } from "../../server/utils/doors";
import { depthOf } from "../../server/utils/requestBody";
import { readSettings } from "../../server/utils/settings";

const knock = (more: Partial<Knock> = {}): Knock => ({
  method: "POST",
  path: "/api/cases",
  host: "127.0.0.1:3000",
  origin: undefined,
  site: undefined,
  type: "application/json; charset=utf-8",
  hasBody: true,
  ...more,
});
const status = (more: Partial<Knock>, hosts: readonly string[] = []) => turnedAway(knock(more), hosts)?.status ?? null;

describe("the doors", () => {
  it.each<[string, Partial<Knock>, number | null]>([
    ["our own page", { origin: "http://127.0.0.1:3000", site: "same-origin" }, null],
    ["a program that is no browser", {}, null],
    ["localhost by its name", { host: "localhost:3000", origin: "http://localhost:3000" }, null],
    ["IPv6", { host: "[::1]:3000", origin: "http://[::1]:3000" }, null],
    ["another website", { origin: "https://elsewhere.example" }, 403],
    ["another port of this machine", { origin: "http://127.0.0.1:8080" }, 403],
    ["the same name by its other spelling", { origin: "http://localhost:3000" }, 403],
    ["a frame without an origin", { origin: "null" }, 403],
    ["an origin that is none", { origin: "!" }, 403],
    ["a page of another site without Origin", { site: "cross-site" }, 403],
    ["a page of a sister site", { site: "same-site" }, 403],
    ["a form", { type: "application/x-www-form-urlencoded" }, 415],
    ["a Blob without a type", { type: undefined }, 415],
    ["plain text that only looks like JSON", { type: "text/plain; application/json" }, 415],
    ["a type that only begins like JSON", { type: "application/jsonp" }, 415],
    ["a name pointed here by somebody else", { host: "elsewhere.example" }, 421],
    ["no name at all", { host: undefined }, 421],
    ["a name that only begins like ours", { host: "localhost.elsewhere.example" }, 421],
    ["reading under a wrong name", { method: "GET", host: "elsewhere.example" }, 421],
    ["reading from another website, which cannot see it", { method: "GET", site: "cross-site", hasBody: false }, null],
    ["an address that is none", { path: "/api/nowhere" }, 404],
    ["a method the address does not have", { method: "PATCH" }, 405],
    ["a change to a page", { path: "/" }, 405],
    ["asking what may be asked", { method: "OPTIONS" }, 405],
    [
      "deleting from our own page, without a body",
      { method: "DELETE", path: "/api/cases/a", type: undefined, hasBody: false },
      null,
    ],
  ])("%s", (_, more, wanted) => expect(status(more)).toBe(wanted));
  it("names set from outside are ours too", () => {
    const { hosts } = readSettings({ PASEAR_HOSTS: "pasear.school.example, 10.0.0.7", HOST: "0.0.0.0" });
    expect(status({ host: "Pasear.School.example", origin: "https://pasear.school.example" }, hosts)).toBeNull();
    expect(status({ host: "10.0.0.7:3000" }, hosts)).toBeNull();
    expect(status({ host: "0.0.0.0:3000" }, hosts)).toBe(421);
    expect(() => readSettings({ PASEAR_RATE: "fast" })).toThrow("PASEAR_RATE is fast");
  });
  it("each address is one route", () => {
    for (const path of ["/api/cases", "/api/cases/a", "/api/cases/a/restore", "/api/plan", "/api/health"])
      expect(ROUTES.filter((r) => r.path.test(path))).toHaveLength(1);
  });
});

describe("requests are counted by address", () => {
  it("ten seconds' worth at once, then as many as the rate, each address for itself", () => {
    const turnstile = new Turnstile(2);
    const passed = (address: string, at: number, count: number) =>
      Array.from({ length: count }, () => turnstile.wait(address, at)).filter((w) => w === 0).length;
    expect(passed("a", 0, 30)).toBe(20);
    expect(turnstile.wait("a", 0)).toBe(1);
    expect(passed("b", 0, 5)).toBe(5);
    expect(passed("a", 3000, 30)).toBe(6);
    expect(passed("a", 1e9, 30)).toBe(20);
  });
  it("forgets the addresses seen longest ago", () => {
    const turnstile = new Turnstile(1, 3);
    for (let i = 0; i < 10; i++) turnstile.wait("a", 0);
    expect(turnstile.wait("a", 0)).toBeGreaterThan(0);
    for (const other of ["b", "c", "d"]) turnstile.wait(other, 0);
    expect(turnstile.wait("a", 0)).toBe(0);
  });
});

it("nesting is counted outside of texts", () => {
  expect(depthOf('{"a":[1,[2,{"b":"]]}}\\"[["}]]}')).toBe(4);
  expect(depthOf("[".repeat(500))).toBe(500);
  expect(depthOf('"[[["')).toBe(0);
});
