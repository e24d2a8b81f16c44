import type { RankedCard } from "#core/choice";

/** What tells one model of a ranking from another. */
export const cardKey = (card: Pick<RankedCard, "family" | "method"> | undefined): string =>
  card ? `${card.family} ${card.method}` : "";
