/** How much is logged, most first. */
export const LEVELS = ["debug", "info", "warn", "error", "silent"] as const;
export type Level = (typeof LEVELS)[number];
