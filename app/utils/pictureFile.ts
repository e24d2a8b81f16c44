import type { Picture } from "#core/graph";
import { deskOption } from "~/charts/deskOption";
import { PAPER } from "~/charts/look";
import type { ChartOption } from "~/charts/option";
import { regionOption, type RegionView } from "~/charts/regionOption";

export interface PictureChoice {
  readonly kind: "svg" | "png";
  readonly clear: boolean;
  readonly scale: 1 | 2 | 3 | 4;
  readonly title: string;
}

const WIDTH = 960;
const HEIGHT = 540;
/** The region of a plan is square. */
const SIDE = 640;
const TITLE = 40;

const escaped = (text: string): string => text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;");

/** A drawing for paper: what stands inside an SVG document, and its size in px. */
export interface Sheet {
  readonly inner: string;
  readonly width: number;
  readonly height: number;
}

/** The graph of the desk, drawn afresh for paper from the same option. */
export const graphSheet = (picture: Picture): Promise<Sheet> =>
  chartSheet(WIDTH, HEIGHT, (width, height) => deskOption(picture, width, height, PAPER).option);

/** The region of a plan, likewise. */
export const regionSheet = (view: RegionView): Promise<Sheet> =>
  chartSheet(SIDE, SIDE, (width, height) => regionOption(view, width, height, PAPER));

/** A chart drawn for paper, at a size in px. */
export async function chartSheet(
  width: number,
  height: number,
  option: (width: number, height: number) => ChartOption,
): Promise<Sheet> {
  const { openChart } = await import("~/charts/chart");
  const chart = openChart(null, width, height);
  try {
    chart.show(option(width, height));
    // What the library says of pointing at shapes is nothing to a picture, and a page allows no style but its own.
    const inner = chart
      .svg()
      .replace(/^<\?xml[^>]*\?>/, "")
      .replace(/<style[\s\S]*?<\/style>/g, "");
    return { inner, width, height };
  } finally {
    chart.dispose();
  }
}

/** A sheet as a standalone SVG document with its title. */
export function sheetSvg({ inner, width, height }: Sheet, choice: Pick<PictureChoice, "clear" | "title">): string {
  const ground = choice.clear ? "" : `<rect width="${width}" height="${height + TITLE}" fill="#ffffff"/>`;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ` +
    `width="${width}" height="${height + TITLE}" viewBox="0 0 ${width} ${height + TITLE}` +
    `">${ground}<text x="16" y="27" font-family="Literata Variable, Georgia, serif" ` +
    `font-size="19" font-weight="700" fill="#1d2530">${escaped(choice.title)}</text><svg ` +
    `x="0" y="${TITLE}" width="${width}" height="${height}">${inner}</svg></svg>`
  );
}

/** The same as a PNG, `scale` pixels for each unit. */
export const sheetPng = (sheet: Sheet, choice: PictureChoice): Promise<Blob> =>
  svgPng(sheetSvg(sheet, choice), sheet.width, sheet.height + TITLE, choice.scale);

/** An SVG document as a PNG, `scale` pixels for each unit of its width and height. */
export async function svgPng(svg: string, width: number, height: number, scale: number): Promise<Blob> {
  const image = new Image();
  await new Promise<void>((resolve, reject) => {
    image.onload = () => resolve();
    image.onerror = () => reject(new Error("the picture could not be drawn"));
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  });
  const canvas = document.createElement("canvas");
  canvas.width = width * scale;
  canvas.height = height * scale;
  canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error("the picture could not be drawn"))), "image/png"),
  );
}

/** A title as the name of a file that any system takes. @param otherwise  where nothing of the title is left */
export const fileName = (title: string, otherwise: string): string =>
  title
    .trim()
    .replace(/[^\p{L}\p{Nd}]+/gu, "-")
    .replace(/^-|-$/g, "")
    .toLowerCase() || otherwise;

export function saveFile(name: string, content: Blob): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
