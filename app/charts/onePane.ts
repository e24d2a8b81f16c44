import type { Picture } from "#core/graph";

/**
 * One pane of a picture by itself: some of its curves, and the answers and thresholds of one question; every other
 * number along the foot is left out where there are many.
 * @returns null where none of the curves is there
 */
export function onePane(picture: Picture, names: readonly string[], question: string | null): Picture | null {
  const pane = picture.curves.find((c) => names.includes(c.name))?.pane;
  const own = pane === undefined ? undefined : picture.panes[pane];
  if (!own) return null;
  const here = <T extends { pane: number }>(list: readonly T[]): T[] =>
    list.filter((part) => part.pane === pane).map((part) => ({ ...part, pane: 0 }));
  return {
    ...picture,
    x: { ...picture.x, ticks: picture.x.ticks.filter((_, i, all) => all.length < 5 || i % 2 === 0) },
    panes: [{ ...own, share: 1 }],
    curves: here(picture.curves).filter((c) => names.includes(c.name)),
    ghosts: [],
    points: here(picture.points).filter((p) => p.kind === "answer" && p.question === question),
    thresholds: here(picture.thresholds).filter((t) => t.question === question),
    shades: [],
  };
}
