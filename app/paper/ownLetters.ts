/** A font as a page loads it; `range` names the characters it holds, `U+0000-00FF, U+0131`, empty: all. */
export interface FontFace {
  readonly family: string;
  readonly style: string;
  readonly weight: string;
  readonly range: string;
  readonly url: string;
}

/** Whether one of the characters is in a range of a font. */
export function holdsOne(range: string, text: string): boolean {
  if (range.trim() === "") return true;
  const parts = range.split(",").flatMap((part) => {
    const m = /^\s*U\+([0-9A-F?]+)(?:-([0-9A-F]+))?\s*$/i.exec(part);
    if (!m) return [];
    const [low, high] = [m[1]!.replaceAll("?", "0"), m[2] ?? m[1]!.replaceAll("?", "F")];
    return [[Number.parseInt(low, 16), Number.parseInt(high, 16)] as const];
  });
  return [...text].some((ch) => parts.some(([low, high]) => ch.codePointAt(0)! >= low && ch.codePointAt(0)! <= high));
}

/** What is written in a drawing, its marks left out. */
const wordsOf = (svg: string): string => svg.replace(/<[^>]*>/g, "");

/** The upright fonts that a drawing names and has letters of. */
export const usedIn = (svg: string, faces: readonly FontFace[]): FontFace[] =>
  faces.filter((f) => f.style !== "italic" && svg.includes(f.family) && holdsOne(f.range, wordsOf(svg)));

/** A drawing that brings its letters along: fonts stand in it as data. */
export function withFonts(svg: string, fonts: readonly (FontFace & { readonly data: string })[]): string {
  if (fonts.length === 0) return svg;
  const rules = fonts.map(
    ({ family, weight, range, data }) =>
      `@font-face{font-family:"${family}";font-weight:${weight};src:url(${data}) format("woff2")` +
      `${range === "" ? "" : `;unicode-range:${range}`}}`,
  );
  return svg.replace(/^<svg[^>]*>/, (start) => `${start}<style>${rules.join("")}</style>`);
}

const known = new Map<string, Promise<string>>();
/** A font's file as a data address; asked for once. */
function asData(url: string): Promise<string> {
  const asked =
    known.get(url) ??
    fetch(url)
      .then((answer) => answer.blob())
      .then(
        (blob) =>
          new Promise<string>((resolve, reject) => {
            const reader = new FileReader();
            reader.onload = () => resolve(String(reader.result).replace(/^data:[^;,]*/, "data:font/woff2"));
            reader.onerror = () => reject(new Error("a font could not be read"));
            reader.readAsDataURL(blob);
          }),
      );
  known.set(url, asked);
  return asked;
}

/** The fonts that the page's own style sheets name. */
function facesOfPage(): FontFace[] {
  const rules = [...document.styleSheets].flatMap((sheet) => [...sheet.cssRules]);
  return rules.flatMap((rule) => {
    if (!(rule instanceof CSSFontFaceRule)) return [];
    const of = (name: string) => rule.style.getPropertyValue(name).trim();
    const url = /url\("?([^")]+)"?\)/.exec(of("src"))?.[1];
    const address = url && new URL(url, rule.parentStyleSheet?.href ?? document.baseURI).href;
    const family = of("font-family").replace(/^["']|["']$/g, "");
    return address
      ? [
          {
            family,
            style: of("font-style"),
            weight: of("font-weight") || "400",
            range: of("unicode-range"),
            url: address,
          },
        ]
      : [];
  });
}

/** A drawing with the page's fonts in it: as a file and as an image it has no others. One that is away is left out. */
export async function withOwnLetters(svg: string): Promise<string> {
  const faces = usedIn(svg, facesOfPage());
  const found = await Promise.allSettled(faces.map(async (f) => ({ ...f, data: await asData(f.url) })));
  return withFonts(
    svg,
    found.flatMap((f) => (f.status === "fulfilled" ? [f.value] : [])),
  );
}
