/** Colours and faces of the page, read from its stylesheet. */
export interface Look {
  readonly curves: readonly string[];
  readonly ink: string;
  readonly quiet: string;
  readonly hairline: string;
  readonly axis: string;
  readonly paper: string;
  readonly amber: string;
  readonly amberSoft: string;
  readonly amberDeep: string;
  readonly brick: string;
  readonly grey: string;
  readonly face: string;
  /** nobody takes hold of anything on paper */
  readonly onPaper: boolean;
}

/** One dash a colour, so that curves are told apart without colour; null: a line without gaps. */
const DASHES: readonly (readonly number[] | null)[] = [
  null,
  [11, 4],
  [2, 3],
  [9, 3, 2, 3],
  [5, 3],
  [14, 3, 2, 3, 2, 3],
  [1, 4],
];
export const dashOf = (colour: number): readonly number[] | null => DASHES[colour % DASHES.length]!;

/** Colours for paper: the light ones, whatever the page shows. */
export const PAPER: Look = {
  curves: ["#0c7a66", "#2473b8", "#b5432c", "#9b3572", "#5e4bb0", "#9a6b00", "#48566a"],
  ink: "#1d2530",
  quiet: "#556070",
  hairline: "#dfe3e8",
  axis: "#6b7686",
  paper: "#ffffff",
  amber: "#f0a02c",
  amberSoft: "#fdf0d9",
  amberDeep: "#8a5600",
  brick: "#b5432c",
  grey: "#6b7686",
  face: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif",
  onPaper: true,
};
/** The same without colour: curves by their dashes and by three steps of grey, answers by black rings. */
export const GREYS: Look = {
  ...PAPER,
  curves: ["#000000", "#5a5a5a", "#000000", "#8a8a8a", "#5a5a5a", "#000000", "#8a8a8a"],
  ink: "#000000",
  quiet: "#3c3c3c",
  hairline: "#dddddd",
  axis: "#5a5a5a",
  amber: "#000000",
  amberSoft: "#eeeeee",
  amberDeep: "#3c3c3c",
  brick: "#3c3c3c",
  grey: "#8a8a8a",
};

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
    onPaper: false,
  };
}
