import { followedInput } from "./followed";

/** What the kinds that answer with stretches of the input, each proven to its ends, have in common. */
export const toldByStretches = {
  details: () => [],
  surety: (_f: unknown, on: string) => `every stretch${on}`,
  followed: followedInput,
  printsOpen: false,
} as const;
