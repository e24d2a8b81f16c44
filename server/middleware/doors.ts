import type { H3Event } from "h3";

const turnstiles = new Map<number, Turnstile>();
const turnstile = (rate: number): Turnstile => {
  const known = turnstiles.get(rate) ?? new Turnstile(rate);
  turnstiles.set(rate, known);
  return known;
};

/** In seconds. */
const YEAR = 365 * 24 * 3600;

/** Every request passes here first: by which name, from where, how often, and whether there is such an address. */
export default defineEventHandler((event) => {
  const { hosts, rate, isBehindProxy } = useSettings();
  const path = event.path.split("?")[0]!;
  if (path.startsWith("/api/")) closeApi(event);
  const turned = turnedAway(
    {
      method: event.method,
      path,
      host: getRequestHeader(event, "host"),
      origin: getRequestHeader(event, "origin"),
      site: getRequestHeader(event, "sec-fetch-site"),
      type: getRequestHeader(event, "content-type"),
      hasBody:
        Number(getRequestHeader(event, "content-length") ?? 0) > 0 ||
        getRequestHeader(event, "transfer-encoding") !== undefined,
    },
    hosts,
  );
  if (turned?.allow) setResponseHeader(event, "allow", turned.allow);
  if (turned) refuse(turned.status, turned.message);
  if (isBehindProxy) setResponseHeader(event, "strict-transport-security", `max-age=${YEAR}; includeSubDomains`);
  // What a proxy adds stands last; what stands before it anybody could have written.
  const named = isBehindProxy ? getRequestHeader(event, "x-forwarded-for")?.split(",").at(-1)?.trim() : undefined;
  const wait = turnstile(rate).wait(named ?? getRequestIP(event) ?? "", Date.now());
  if (wait > 0) {
    setResponseHeader(event, "retry-after", wait);
    refuse(429, `Too many requests from one place; try again in ${wait} s.`);
  }
});

/** Answers of the API are data: nothing in them may run, be framed, be read by other sites or be kept by a cache. */
function closeApi(event: H3Event): void {
  setResponseHeaders(event, {
    "content-security-policy": "default-src 'none'; frame-ancestors 'none'",
    "cross-origin-resource-policy": "same-origin",
    "x-content-type-options": "nosniff",
    "cache-control": "no-store",
  });
}
