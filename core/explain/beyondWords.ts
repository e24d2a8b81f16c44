import type { Beyond } from "../fit";
import { singular, type Unit } from "../units";
import { formatNumber, formatQuantity } from "./quantity";

/** What a model says outside its rows, in words: `levels off near 5,174 people`, `negative before t = 1.3 weeks`. */
export function beyondWords(
  b: Beyond,
  x: string,
  input: Unit | null,
  output: Unit | null,
): { text: string; warns: boolean } {
  const at = (v: number) => `${x} = ${formatQuantity(v, input, 4)}`;
  const out = (v: number) => formatQuantity(v, output, 4);
  switch (b.kind) {
    case "levels":
      return { text: `levels off near ${out(b.near)}`, warns: false };
    case "negative":
      return {
        text:
          b.until === null
            ? `negative ${b.side === "after" ? "after" : "before"} ${at(b.from)}`
            : `negative between ${at(b.from)} and ${at(b.until)}`,
        warns: true,
      };
    case "above":
      return {
        text: `above ${formatNumber(b.limit)} ${b.side === "after" ? "after" : "before"} ${at(b.from)}`,
        warns: true,
      };
    case "explodes":
      return {
        text: `says ${out(b.value)} at ${at(b.at)}, ${formatNumber(b.times, 2)} times the largest reading`,
        warns: true,
      };
    case "stops":
      return { text: `has no value ${b.side === "after" ? "after" : "before"} ${at(b.at)}`, warns: true };
    case "turns":
      return b.way === "rises"
        ? { text: `falls first, then grows from ${at(b.at)} on: does that suit?`, warns: false }
        : { text: `grows first, then falls from ${at(b.at)} on: does that suit?`, warns: b.where !== "inside" };
  }
}

/** What an exponent says of growth, in the unit of the input: `grows 38.28 % per week · doubles in 2.139 weeks`. */
export function growthWords(exponent: number, input: Unit | null): string {
  const per = input?.text ? ` per ${singular(input.text)}` : "";
  const percent = formatNumber(Math.abs(Math.expm1(exponent)) * 100, 4);
  const time = formatQuantity(Math.LN2 / Math.abs(exponent), input, 4);
  const [grows, doubles] = exponent > 0 ? ["grows", "doubles"] : ["shrinks", "halves"];
  return `factor ${formatNumber(Math.exp(exponent), 5)} · ${grows} ${percent} %${per} · ${doubles} in ${time}`;
}

/** R² in words: where misses remain it is not said to be 1. */
export function determinationWords(r2: number): string {
  const text = formatNumber(r2, 4);
  return `R² ${text === "1" && r2 < 1 ? "above 0.9999" : text}`;
}
