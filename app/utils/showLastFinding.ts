/** A new finding is put in sight once it is drawn, which takes about this long, in ms. */
const DRAWN = 60;

/** Puts the finding asked last in sight. */
export function showLastFinding(): void {
  setTimeout(() => {
    const list = document.querySelector("#findings-title")?.closest("section");
    list?.querySelector("ol > li:last-child")?.scrollIntoView({ block: "nearest" });
  }, DRAWN);
}
