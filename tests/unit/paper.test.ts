import { readFileSync } from "node:fs";
import { crc32, inflateSync } from "node:zlib";
import { describe, expect, it } from "vitest";
import { analyse } from "#core/question";
import { picture } from "#core/graph";
import type { CaseFile } from "#core/model";
import { deskOption } from "../../app/charts/deskOption";
import { GREYS, PAPER, type Look } from "../../app/charts/look";
import { PER_CM, graphChoices, graphOnPaper, type PaperForm } from "../../app/paper/paperForm";
import { withDensity } from "../../app/paper/pngDensity";

const stall = JSON.parse(readFileSync("demo/lantern-stall.pasear.json", "utf8")) as CaseFile;
const shown = picture(analyse(stall))!;
const choices = graphChoices(shown);
const form: PaperForm = {
  kind: "svg",
  clear: false,
  title: "",
  width: 16,
  height: 14,
  ink: "colour",
  across: choices.across,
  upwards: choices.upwards,
  names: true,
  named: choices.answers.map((a) => a.key),
};
const wordsOf = (more: Partial<PaperForm>, look: Look = PAPER): string => {
  const of = { ...form, ...more };
  return JSON.stringify(deskOption(graphOnPaper(shown, of), 600, 500, look, { isUnnamed: !of.names }).option);
};

describe("a graph for a document", () => {
  it("offers its answers by the words beside their rings, and the words along its axes", () => {
    expect(choices.answers.map((a) => a.key)).toEqual(
      ["q1", "q2", "q3"].filter((k) => shown.points.some((p) => p.question === k)),
    );
    expect(choices.answers[0]!.says).toContain("break-even");
    expect(choices.across).toMatch(/lanterns/);
    expect(choices.upwards).toHaveLength(shown.panes.length);
  });
  it("names the answers that were chosen, and keeps the rings of the others", () => {
    const [first, ...others] = choices.answers;
    expect(wordsOf({})).toContain("break-even 16.435");
    const without = wordsOf({ named: others.map((a) => a.key) });
    expect(without).not.toContain("break-even");
    const rings = (text: string) => text.split('"symbol":"circle"').length;
    expect(rings(without)).toBe(rings(wordsOf({})));
    expect(wordsOf({ named: [first!.key] })).toContain("break-even 16.435");
  });
  it("has the titles of its axes as they were written, or none", () => {
    const own = wordsOf({ across: " lanterns a night ", upwards: ["dollars", ""] });
    expect(own).toContain('"name":"lanterns a night"');
    expect(own).toContain('"name":"dollars"');
    expect(wordsOf({ across: "", upwards: [] })).not.toContain('"name":"lanterns');
  });
  it("names its curves, or not", () => {
    const label = '"text":"R"';
    expect(wordsOf({})).toContain(label);
    expect(wordsOf({ names: false })).not.toContain(label);
  });
  it("in greys has no colour, and tells any two neighbouring curves apart by dash or by grey", () => {
    const colours = wordsOf({}, GREYS).match(/#[0-9a-f]{6}/g)!;
    expect(colours.length).toBeGreaterThan(10);
    for (const c of colours) expect([c.slice(1, 3), c.slice(3, 5)]).toEqual([c.slice(3, 5), c.slice(5, 7)]);
  });
  it("is drawn as large as on the page: 37.8 pixels a cm", () => {
    expect(PER_CM).toBeCloseTo(37.795, 3);
  });
});

describe("a PNG that says how large it is", () => {
  // The smallest PNG: one pixel, written by hand after the standard.
  const chunk = (type: string, data: Buffer): Buffer => {
    const body = Buffer.concat([Buffer.from(type, "latin1"), data]);
    const [size, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    size.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(body));
    return Buffer.concat([size, body, sum]);
  };
  const data = Buffer.from("789c6360000000020001", "hex");
  const head = Buffer.from([0, 0, 0, 1, 0, 0, 0, 1, 8, 0, 0, 0, 0]);
  const png = Buffer.concat([
    Buffer.from("89504e470d0a1a0a", "hex"),
    chunk("IHDR", head),
    chunk("IDAT", data),
    chunk("IEND", Buffer.alloc(0)),
  ]);

  it("300 an inch are 11,811 a metre, after the head and with its check sum; nothing else is changed", () => {
    const made = Buffer.from(withDensity(png, 300));
    const part = made.subarray(33, 54);
    expect(part.readUInt32BE(0)).toBe(9);
    expect(part.toString("latin1", 4, 8)).toBe("pHYs");
    expect([part.readUInt32BE(8), part.readUInt32BE(12), part[16]]).toEqual([11811, 11811, 1]);
    // The check sum by the system's own library.
    expect(part.readUInt32BE(17)).toBe(crc32(part.subarray(4, 17)));
    expect(Buffer.concat([made.subarray(0, 33), made.subarray(54)]).equals(png)).toBe(true);
    expect(() => inflateSync(data)).not.toThrow(/signature/);
  });
});
