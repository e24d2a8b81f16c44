import { pino, type Logger } from "pino";
import { useSettings } from "./settings";

let made: Logger | null = null;
/**
 * The server's log: one JSON object a line on the error output. Never in it: what cases say, addresses of callers,
 * tokens.
 */
export const useLog = (): Logger =>
  (made ??= pino(
    {
      level: useSettings().log,
      base: null,
      timestamp: pino.stdTimeFunctions.isoTime,
      formatters: { level: (level) => ({ level }) },
    },
    pino.destination({ fd: 2, sync: true }),
  ));

const SOUND_ID = /^[\w-]{1,64}$/;
/** The id a request came with, from a proxy, or a new one. */
export const requestId = (given: string | undefined, fresh: () => string): string =>
  given !== undefined && SOUND_ID.test(given) ? given : fresh();
