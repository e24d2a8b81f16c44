import { join, resolve } from "node:path";
import { LEVELS, type Level } from "./levels";

/** What can be set from outside, all in one place; the README lists it. */
export interface Settings {
  /** names the server may be called by, besides localhost, 127.0.0.1, ::1 and the one it is bound to */
  readonly hosts: readonly string[];
  /** requests that one address may make in a second on average; ten times as many at once */
  readonly rate: number;
  /** where cases are kept: a libSQL server, or a file */
  readonly databaseUrl: string;
  readonly databaseToken: string | undefined;
  /** the folder of the steps that bring a database up to date */
  readonly migrations: string;
  /** what is logged, and whatever is worse */
  readonly log: Level;
  /** the server stands behind a proxy that ends TLS and names the caller: `https` is insisted on, and the caller's
   * address is read from `x-forwarded-for` */
  readonly isBehindProxy: boolean;
}

const DEFAULT_RATE = 1000;
type Env = Readonly<Record<string, string | undefined>>;

/** @throws RangeError in plain words, with the setting's name and what would be right */
export function readSettings(env: Env): Settings {
  const bound = (env.NITRO_HOST || env.HOST || "").toLowerCase();
  const named = (env.PASEAR_HOSTS ?? "").split(",").map((h) => h.trim().toLowerCase());
  const rate = Number(env.PASEAR_RATE || DEFAULT_RATE);
  if (!(rate > 0)) throw new RangeError(`PASEAR_RATE is ${env.PASEAR_RATE}; it should be a number above 0.`);
  return {
    hosts: [...named, bound].filter((h) => h !== "" && h !== "0.0.0.0" && h !== "::"),
    rate,
    databaseUrl: databaseUrl(env),
    databaseToken: env.DATABASE_AUTH_TOKEN || undefined,
    migrations: env.PASEAR_MIGRATIONS || resolve(process.cwd(), "server/db/migrations"),
    log: oneOf("PASEAR_LOG", env.PASEAR_LOG || "info", LEVELS),
    isBehindProxy: oneOf("PASEAR_PROXY", env.PASEAR_PROXY || "no", ["yes", "no"]) === "yes",
  };
}
function databaseUrl(env: Env): string {
  const url = env.DATABASE_URL || `file:${join(process.cwd(), ".data", "pasear.db")}`;
  if (!/^(?:file|libsql|https?|wss?):/.test(url))
    throw new RangeError(`DATABASE_URL is ${url}; it should begin with file:, libsql:, http: or https:.`);
  return url;
}
function oneOf<T extends string>(name: string, value: string, known: readonly T[]): T {
  const found = known.find((k) => k === value);
  if (found === undefined) throw new RangeError(`${name} is ${value}; it should be one of ${known.join(", ")}.`);
  return found;
}

let known: Settings | null = null;
export const useSettings = (): Settings => (known ??= readSettings(process.env));
