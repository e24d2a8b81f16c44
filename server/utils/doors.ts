/** One address of the API and what may be asked of it; docs/security.md lists the same. */
export interface Route {
  readonly name: string;
  readonly path: RegExp;
  readonly methods: readonly ("GET" | "POST" | "PUT" | "DELETE")[];
}
export const ROUTES: readonly Route[] = [
  { name: "/api/cases", path: /^\/api\/cases$/, methods: ["GET", "POST"] },
  { name: "/api/cases/ID", path: /^\/api\/cases\/[^/]+$/, methods: ["GET", "PUT", "DELETE"] },
  { name: "/api/cases/ID/restore", path: /^\/api\/cases\/[^/]+\/restore$/, methods: ["POST"] },
  { name: "/api/cases/ID/tags", path: /^\/api\/cases\/[^/]+\/tags$/, methods: ["PUT"] },
  { name: "/api/cases/ID/trash", path: /^\/api\/cases\/[^/]+\/trash$/, methods: ["DELETE"] },
  { name: "/api/cases/ID/versions", path: /^\/api\/cases\/[^/]+\/versions$/, methods: ["GET"] },
  { name: "/api/cases/ID/versions/N", path: /^\/api\/cases\/[^/]+\/versions\/[^/]+$/, methods: ["GET", "PUT"] },
  { name: "/api/tags", path: /^\/api\/tags$/, methods: ["GET"] },
  { name: "/api/plan", path: /^\/api\/plan$/, methods: ["POST"] },
  { name: "/api/ready", path: /^\/api\/ready$/, methods: ["GET"] },
  { name: "/api/health", path: /^\/api\/health$/, methods: ["GET"] },
];

/** What is known of a request before anything of it is done. */
export interface Knock {
  readonly method: string;
  readonly path: string;
  readonly host: string | undefined;
  readonly origin: string | undefined;
  /** Sec-Fetch-Site, which browsers set and pages cannot */
  readonly site: string | undefined;
  readonly type: string | undefined;
  readonly hasBody: boolean;
}
export interface Turned {
  readonly status: number;
  readonly message: string;
  readonly allow?: string;
}

const OWN_NAMES: ReadonlySet<string> = new Set(["localhost", "127.0.0.1", "[::1]"]);
const READS: ReadonlySet<string> = new Set(["GET", "HEAD"]);

/** `127.0.0.1` of `127.0.0.1:3000`, `[::1]` of `[::1]:3000`. */
const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, "");

/**
 * Why a request is turned away at the door; null where it may come in. A name that is not ours may have been pointed
 * here by a stranger's page; a change must come from our own pages, or from a program that is no browser.
 */
export function turnedAway(k: Knock, hosts: readonly string[]): Turned | null {
  const name = nameOf(k.host ?? "");
  if (!OWN_NAMES.has(name) && !hosts.includes(name) && !hosts.includes(name.replace(/^\[|\]$/g, "")))
    return {
      status: 421,
      message:
        `This server does not go by the name "${name.slice(0, 100)}"; PASEAR_HOSTS lists the ` + "names it answers to.",
    };
  if (!k.path.startsWith("/api/")) return READS.has(k.method) ? null : NO_SUCH_METHOD("GET, HEAD");
  const route = ROUTES.find((r) => r.path.test(k.path));
  if (!route) return { status: 404, message: "There is nothing at this address." };
  const method = k.method === "HEAD" ? "GET" : k.method;
  if (!route.methods.some((m) => m === method)) return NO_SUCH_METHOD(route.methods.join(", "));
  return READS.has(k.method) ? null : foreign(k);
}

const NO_SUCH_METHOD = (allow: string): Turned => ({
  status: 405,
  message: `This address answers to ${allow} only.`,
  allow,
});

/** A change from another website, or in a form that a website can send without asking. */
function foreign(k: Knock): Turned | null {
  const isOther =
    (k.site !== undefined && k.site !== "same-origin" && k.site !== "none") ||
    (k.origin !== undefined && hostOf(k.origin) !== k.host?.toLowerCase());
  if (isOther)
    return { status: 403, message: "Changes are taken from Pasear's own pages only, not from other websites." };
  const isJson = /^application\/json\s*(?:;|$)/i.test(k.type ?? "");
  if (k.hasBody && !isJson)
    return { status: 415, message: "A change is sent as `application/json`, and as nothing else." };
  return null;
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host.toLowerCase();
  } catch {
    return null;
  }
}

/** Counts the requests of each address: `rate` a second on average, ten times as many at once. */
export class Turnstile {
  private readonly seen = new Map<string, { left: number; at: number }>();
  constructor(
    private readonly rate: number,
    private readonly most = 10_000,
  ) {}

  /** Whether an address may come in now, and if not, in how many seconds. @param now  in ms */
  wait(address: string, now: number): number {
    const before = this.seen.get(address) ?? { left: this.rate * 10, at: now };
    const left = Math.min(this.rate * 10, before.left + ((now - before.at) / 1000) * this.rate);
    // The addresses seen longest ago are forgotten first.
    this.seen.delete(address);
    this.seen.set(address, { left: left >= 1 ? left - 1 : left, at: now });
    if (this.seen.size > this.most) this.seen.delete(this.seen.keys().next().value!);
    return left >= 1 ? 0 : Math.ceil((1 - left) / this.rate);
  }
}
