import { describe, expect, it } from "vitest";
import { holdsOne, usedIn, withFonts, type FontFace } from "../../app/paper/ownLetters";

const face = (more: Partial<FontFace> = {}): FontFace => ({
  family: "Field Hand",
  style: "normal",
  weight: "200 900",
  range: "U+0000-00FF, U+0131",
  url: "/field.woff2",
  ...more,
});
const SVG = '<svg viewBox="0 0 9 9"><text font-family="Field Hand, serif">17 lanterns – ı</text></svg>';

describe("a drawing brings its letters along", () => {
  it.each([
    ["", "x", true],
    ["U+0000-00FF", "x", true],
    ["U+0400-04FF", "x", false],
    ["U+0400-04FF, U+78", "x", true],
    ["U+4??", "ж", true],
    ["U+4??", "x", false],
    ["U+1F600", "a😀", true],
  ])("a font of %j holds a letter of %j: %s", (range, text, wanted) => expect(holdsOne(range, text)).toBe(wanted));
  it("of the page's fonts those that it names, upright, and has letters of", () => {
    const greek = face({ range: "U+0370-03FF", url: "/greek.woff2" });
    const faces = [face(), greek, face({ style: "italic" }), face({ family: "Other" })];
    expect(usedIn(SVG, faces).map((f) => f.url)).toEqual(["/field.woff2"]);
    expect(usedIn(SVG.replace("17", "π"), faces).map((f) => f.url)).toEqual(["/field.woff2", "/greek.woff2"]);
    // what stands in marks is no letter
    expect(usedIn(SVG.replace("<text", '<text id="π"'), faces)).toHaveLength(1);
  });
  it("they stand in it as data, before anything is drawn", () => {
    const made = withFonts(SVG, [{ ...face(), data: "data:font/woff2;base64,AAAA" }]);
    expect(made).toMatch(/^<svg viewBox="0 0 9 9"><style>@font-face\{font-family:"Field Hand";/);
    expect(made).toContain("url(data:font/woff2;base64,AAAA)");
    expect(made.endsWith(SVG.slice(SVG.indexOf("<text")))).toBe(true);
    expect(withFonts(SVG, [])).toBe(SVG);
  });
});
