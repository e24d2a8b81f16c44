import type { Picture } from "#core/graph";
import { deskOption } from "~/charts/deskOption";
import { GREYS, PAPER } from "~/charts/look";
import type { ChartOption } from "~/charts/option";
import { regionOption, type RegionView } from "~/charts/regionOption";
import { PER_CM, graphOnPaper, type PaperForm } from "./paperForm";
import { withOwnLetters } from "./ownLetters";
import { withDensity } from "./pngDensity";

/** Room for a title over a drawing, in px. */
const TITLE = 40;
/** Pixels an inch of a picture for documents. */
const DPI = 300;
/** Pixels an inch of the page. */
const PAGE_DPI = 96;

const escaped = (text: string): string => text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;");

/** A drawing for paper: what stands inside an SVG document, and its size in px. */
export interface Sheet {
  readonly inner: string;
  readonly width: number;
  readonly height: number;
}

const sizeOf = ({ width, height }: PaperForm) => [Math.round(width * PER_CM), Math.round(height * PER_CM)] as const;
const lookFor = ({ ink }: PaperForm) => (ink === "grey" ? GREYS : PAPER);

/** The graph of the desk, drawn afresh for paper from the same option. */
export const graphSheet = (picture: Picture, form: PaperForm): Promise<Sheet> =>
  chartSheet(...sizeOf(form), (width, height) => {
    const shown = graphOnPaper(picture, form);
    return deskOption(shown, width, height, lookFor(form), { isUnnamed: !form.names }).option;
  });

/** The region of a plan, likewise. */
export const regionSheet = (view: RegionView, form: PaperForm): Promise<Sheet> =>
  chartSheet(...sizeOf(form), (width, height) => regionOption({ ...view, paper: form }, width, height, lookFor(form)));

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

/** A sheet as a standalone SVG document with its title, as large on paper as was asked. */
export function sheetSvg({ inner, width, height }: Sheet, form: Pick<PaperForm, "clear" | "title">): string {
  const head = form.title === "" ? 0 : TITLE;
  const cm = (px: number) => `${Number((px / PER_CM).toFixed(3))}cm`;
  const ground = form.clear ? "" : `<rect width="${width}" height="${height + head}" fill="#ffffff"/>`;
  const title =
    `<text x="16" y="27" font-family="Literata Variable, Georgia, serif" ` +
    `font-size="19" font-weight="700" fill="#1d2530">${escaped(form.title)}</text>`;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ` +
    `width="${cm(width)}" height="${cm(height + head)}" viewBox="0 0 ${width} ${height + head}` +
    `">${ground}${head > 0 ? title : ""}<svg ` +
    `x="0" y="${head}" width="${width}" height="${height}">${inner}</svg></svg>`
  );
}

/** The same as a PNG for print, which says how large it is. */
export async function sheetPng(sheet: Sheet, form: PaperForm): Promise<Blob> {
  const height = sheet.height + (form.title === "" ? 0 : TITLE);
  const png = await svgPng(sheetSvg(sheet, form), sheet.width, height, DPI / PAGE_DPI);
  return new Blob([withDensity(new Uint8Array(await png.arrayBuffer()), DPI)], { type: "image/png" });
}

/** The same as an SVG document with its letters. */
export const sheetFile = async (sheet: Sheet, form: PaperForm): Promise<Blob> =>
  new Blob([await withOwnLetters(sheetSvg(sheet, form))], { type: "image/svg+xml" });

/** An SVG document as a PNG, `scale` pixels for each unit of its width and height. */
export async function svgPng(svg: string, width: number, height: number, scale: number): Promise<Blob> {
  const whole = await withOwnLetters(svg);
  const image = new Image();
  await new Promise<void>((resolve, reject) => {
    image.onload = () => resolve();
    image.onerror = () => reject(new Error("the picture could not be drawn"));
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(whole)}`;
  });
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(width * scale);
  canvas.height = Math.round(height * scale);
  canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error("the picture could not be drawn"))), "image/png"),
  );
}
