import { CHANGE_STARTERS } from "./changeStarters";
import { MONEY_STARTERS } from "./moneyStarters";
import { OTHER_STARTERS } from "./otherStarters";
import type { Starter } from "./starter";

export type { Starter } from "./starter";

/** Small cases to begin with, one for each kind of problem; invented, in the world of the Lantern Walk. */
export const STARTERS: readonly Starter[] = [...MONEY_STARTERS, ...CHANGE_STARTERS, ...OTHER_STARTERS];
