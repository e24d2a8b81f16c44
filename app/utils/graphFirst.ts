/** What is wanted less waits for a graph no longer than this, in ms. */
const PATIENCE = 10_000;

let coming: Promise<void> = Promise.resolve();
/** null: none is on its way */
let isThere: (() => void) | null = null;

/** A graph is on its way: what only makes words look better waits until it is drawn. */
export function graphIsComing(): void {
  if (isThere) return;
  coming = new Promise((resolve) => {
    isThere = resolve;
    setTimeout(resolve, PATIENCE);
  });
}
/** The graph is drawn, or none will be; it is on the page with the next frame, and what waits begins after it. */
export function graphIsThere(): void {
  const begin = isThere;
  isThere = null;
  if (begin) requestAnimationFrame(() => requestAnimationFrame(begin));
}

/** When no graph is on its way any more. */
export const afterGraph = (): Promise<void> => coming;
