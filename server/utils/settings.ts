/** What can be set from outside, all in one place; the README lists it. */
export interface Settings {
  /** names the server may be called by, besides localhost, 127.0.0.1, ::1 and the one it is bound to */
  readonly hosts: readonly string[];
  /** requests that one address may make in a second on average; ten times as many at once */
  readonly rate: number;
}

const DEFAULT_RATE = 1000;

export function readSettings(env: Record<string, string | undefined>): Settings {
  const bound = env.NITRO_HOST || env.HOST || "";
  const named = (env.PASEAR_HOSTS ?? "").split(",").map((h) => h.trim().toLowerCase());
  const rate = Number(env.PASEAR_RATE || DEFAULT_RATE);
  if (!(rate > 0)) throw new RangeError(`PASEAR_RATE is ${env.PASEAR_RATE}; it should be a number above 0.`);
  return { hosts: [...named, bound.toLowerCase()].filter((h) => h !== "" && h !== "0.0.0.0" && h !== "::"), rate };
}

let known: Settings | null = null;
export const useSettings = (): Settings => (known ??= readSettings(process.env));
