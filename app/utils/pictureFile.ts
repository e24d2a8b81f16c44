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

async function chartSheet(
  width: number,
  height: number,
  option: (width: number, height: number) => ChartOption,
): Promise<Sheet> {
  const { openChart } = await import("~/charts/chart");
  const chart = openChart(null, width, height);
  try {
    chart.show(option(width, height));
    return { inner: chart.svg().replace(/^<\?xml[^>]*\?>/, ""), width, height };
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
export async function sheetPng(sheet: Sheet, choice: PictureChoice): Promise<Blob> {
  const svg = sheetSvg(sheet, choice);
  const image = new Image();
  await new Promise<void>((resolve, reject) => {
    image.onload = () => resolve();
    image.onerror = () => reject(new Error("the picture could not be drawn"));
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  });
  const canvas = document.createElement("canvas");
  canvas.width = sheet.width * choice.scale;
  canvas.height = (sheet.height + TITLE) * choice.scale;
  canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error("the picture could not be drawn"))), "image/png"),
  );
}

export function saveFile(name: string, content: Blob): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
