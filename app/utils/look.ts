import type { Look } from "./graphMarks";

let held: { dark: boolean; look: Look } | null = null;

/**
 * Colours and faces of the page as they are now, for what is drawn outside its stylesheet; read anew when light turns
 * dark.
 */
export function lookOf(): Look {
  const { matches: dark } = matchMedia("(prefers-color-scheme: dark)");
  if (held?.dark !== dark) held = { dark, look: read() };
  return held.look;
}
function read(): Look {
  const s = getComputedStyle(document.documentElement);
  const v = (name: string) => s.getPropertyValue(name).trim();
  return {
    curves: [0, 1, 2, 3, 4, 5, 6].map((i) => v(`--curve-${i}`)),
    ink: v("--ink"),
    quiet: v("--ink-2"),
    hairline: v("--hairline"),
    axis: v("--ink-3"),
    paper: v("--paper"),
    amber: v("--amber"),
    amberSoft: v("--amber-soft"),
    amberDeep: v("--amber-deep"),
    brick: v("--brick"),
    grey: v("--ink-3"),
    face: v("--face").replace(/"/g, "'"),
  };
}
