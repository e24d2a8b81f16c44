import { DOMParser, type Element, type Node } from "@xmldom/xmldom";
import {
  Math as Equation,
  MathFraction,
  MathRadical,
  MathRoundBrackets,
  MathRun,
  MathSubScript,
  MathSubSuperScript,
  MathSuperScript,
  type MathComponent,
} from "docx";
import { mathMarkup } from "./mathMarkup";

/** Mathematics as a native equation of a text document, by way of its MathML. */
export function officeEquation(latex: string): Equation {
  const markup = mathMarkup(latex, false);
  const root = markup ? new DOMParser().parseFromString(markup, "text/xml").documentElement : null;
  return new Equation({ children: root ? inside(root) : [new MathRun(latex)] });
}

const ELEMENT = 1;
const isElement = (node: Node): node is Element => node.nodeType === ELEMENT;
const partsOf = (element: Element): Element[] => [...element.childNodes].filter(isElement);
const textOf = (element: Element): string => element.textContent ?? "";

/** What an element holds, in order; brackets and what is between them become one. */
const inside = (element: Element): MathComponent[] => bracketed(partsOf(element)).flatMap(written);

type Part = Element | { readonly between: readonly Element[] };

/** Round brackets that grow with what they hold are the document's own. */
function bracketed(parts: readonly Element[]): Part[] {
  const isBracket = (part: Element | undefined, sign: string) =>
    part?.tagName === "mo" && textOf(part) === sign && part.getAttribute("fence") === "true";
  const from = parts.findIndex((part) => isBracket(part, "("));
  const to = parts.findLastIndex((part) => isBracket(part, ")"));
  if (from < 0 || to < from) return [...parts];
  return [...parts.slice(0, from), { between: parts.slice(from + 1, to) }, ...parts.slice(to + 1)];
}

function written(part: Part): MathComponent[] {
  if ("between" in part) return [new MathRoundBrackets({ children: bracketed([...part.between]).flatMap(written) })];
  const [first, second, third] = partsOf(part).map((p) => written(p));
  switch (part.tagName) {
    case "annotation":
      return [];
    case "mfrac":
      return [new MathFraction({ numerator: first ?? [], denominator: second ?? [] })];
    case "msqrt":
      return [new MathRadical({ children: inside(part) })];
    case "mroot":
      return [new MathRadical({ children: first ?? [], degree: second ?? [] })];
    case "msup":
      return [new MathSuperScript({ children: first ?? [], superScript: second ?? [] })];
    case "msub":
    case "munder":
      return [new MathSubScript({ children: first ?? [], subScript: second ?? [] })];
    case "msubsup":
    case "munderover":
      return [new MathSubSuperScript({ children: first ?? [], subScript: second ?? [], superScript: third ?? [] })];
    case "mtable":
      return rows(part);
    case "mspace":
      return [new MathRun(" ")];
    case "mi":
    case "mn":
    case "mo":
    case "mtext":
      return textOf(part).trim() || part.tagName === "mtext" ? [new MathRun(textOf(part))] : [];
    default:
      return inside(part);
  }
}

/** Cases of a function by pieces: one after the other, with a semicolon between. */
function rows(table: Element): MathComponent[] {
  return partsOf(table).flatMap((row, i) => [
    ...(i > 0 ? [new MathRun("; ")] : []),
    ...partsOf(row).flatMap((cell, j) => [...(j > 0 ? [new MathRun(" ")] : []), ...inside(cell)]),
  ]);
}
