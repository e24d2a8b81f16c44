import type { BriefPage } from "#core/brief";
import type { Picture } from "#core/graph";
import { functionsOf, type Question } from "#core/model";
import { deskOption } from "~/charts/deskOption";
import { PAPER } from "~/charts/look";
import { onePane } from "~/charts/onePane";
import { regionOption, type RegionView } from "~/charts/regionOption";
import { chartSheet, type Sheet } from "~/paper/pictureFile";

/** What the pictures of a brief are drawn from. */
export interface PictureSource {
  readonly questions: readonly Question[];
  readonly picture: Picture | null;
  readonly region: RegionView | null;
}

/** How wide pictures of a brief are drawn, in px: text in them is then as large as that of the page. */
const WIDTH = 640;
/** Heights of the graph, of one more pane of it, and of the graph of one finding. */
const HEIGHT = { graph: 300, pane: 170, finding: 220 };
/** The region of a plan is square. */
const SIDE = 460;

/** Draws one picture of a brief for paper; null where there is nothing to draw. */
export async function briefPicture(key: string, from: PictureSource): Promise<Sheet | null> {
  if (key === "region") return from.region && chartSheet(SIDE, SIDE, (w, h) => regionOption(from.region!, w, h, PAPER));
  const picture = key === "graph" ? from.picture : findingPane(key.slice("finding:".length), from);
  if (!picture) return null;
  const height = key === "graph" ? HEIGHT.graph + HEIGHT.pane * (picture.panes.length - 1) : HEIGHT.finding;
  return chartSheet(WIDTH, height, (w, h) => deskOption(picture, w, h, PAPER).option);
}

/** The part of the graph that shows the answers to one question. */
function findingPane(id: string, { questions, picture }: PictureSource): Picture | null {
  const question = questions.find((q) => q.id === id);
  return question && picture ? onePane(picture, functionsOf(question), id) : null;
}

/** The keys of all pictures that a page shows. */
export const pictureKeys = (page: BriefPage): string[] =>
  page.sections.flatMap(({ blocks }) => blocks.flatMap((b) => (b.kind === "picture" ? [b.key] : [])));

/** A picture as an SVG document of its own; on a page it is as wide as its place. */
export const pictureSvg = ({ inner, width, height }: Sheet): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">` +
  `<rect width="${width}" height="${height}" fill="#ffffff"/>${inner}</svg>`;
