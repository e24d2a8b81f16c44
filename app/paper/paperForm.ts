import { cornerText, formatInput, prettyUnit, variableText } from "#core/explain";
import type { Picture } from "#core/graph";
import { keyOfCorner, type PaperWords, type RegionView } from "~/charts/regionOption";

/** How a graph is set for a document. */
export interface PaperForm extends PaperWords {
  readonly kind: "png" | "svg";
  /** without a white ground */
  readonly clear: boolean;
  /** over the graph; empty: none */
  readonly title: string;
  /** in cm, the title not counted */
  readonly width: number;
  readonly height: number;
  readonly ink: "colour" | "grey";
}

/** What a graph offers to be chosen from: its answers, and the words along its axes. */
export interface PaperChoices {
  readonly answers: readonly { readonly key: string; readonly says: string }[];
  readonly across: string;
  readonly upwards: readonly string[];
  /** cm */
  readonly width: number;
  readonly height: number;
}

/** Pixels of the page in a cm of paper: letters are then as large on paper as they are here. */
export const PER_CM = 96 / 2.54;

/** The line of text of a page is about 16 cm wide. */
const ACROSS_PAGE = 16;
const PANE = { first: 9, more: 5 };
/** The region of a plan is square, in cm. */
const SQUARE = 13;

export function graphChoices(picture: Picture): PaperChoices {
  const labelled = picture.points.filter((p) => p.kind === "answer" && p.question !== null && p.label !== "");
  const keys = [...new Set(labelled.map((p) => p.question!))];
  const says = (key: string) => {
    const own = labelled.filter((p) => p.question === key);
    const more = own.length > 3 ? ` and ${own.length - 3} more` : "";
    return (
      own
        .slice(0, 3)
        .map((p) => p.label || formatInput(p.x, picture.xUnit))
        .join(", ") + more
    );
  };
  return {
    answers: keys.map((key) => ({ key, says: says(key) })),
    across: picture.xLabel,
    upwards: picture.panes.map((p) => (p.unit.startsWith("$") ? "" : prettyUnit(p.unit))),
    width: ACROSS_PAGE,
    height: PANE.first + PANE.more * (picture.panes.length - 1),
  };
}

export function regionChoices({ plan, result }: RegionView): PaperChoices {
  return {
    answers: cornersOf(result).map((c) => ({ key: keyOfCorner(c.at), says: cornerText(c, plan) })),
    across: variableText(plan, 0),
    upwards: [variableText(plan, 1)],
    width: SQUARE,
    height: SQUARE,
  };
}
const cornersOf = ({ whole, corners }: RegionView["result"]) => {
  const all = [...(whole ? [whole] : []), ...corners];
  return all.filter((c, i) => all.findIndex((d) => keyOfCorner(d.at) === keyOfCorner(c.at)) === i);
};
/** The picture with the words that were chosen, and no others. */
export const graphOnPaper = (picture: Picture, { across, upwards, named }: PaperForm): Picture => ({
  ...picture,
  xLabel: across.trim(),
  panes: picture.panes.map((p, i) => ({ ...p, title: (upwards[i] ?? "").trim() })),
  points: picture.points.map((p) =>
    p.kind === "answer" && p.question !== null && !named.includes(p.question) ? { ...p, label: "" } : p,
  ),
});
