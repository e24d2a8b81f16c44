import { PI, wholeNumber } from "../../formula/numbers";
import { apply, divide, multiply, subtract } from "../../formula/build";
import { dependsOnVariable, expressionLatex, expressionText, type Expression } from "../../formula";
import { canonical, encloseConstant, findRoots, isExactlyZero } from "../../solve";
import { formatNumber } from "../../explain";
import { NONE, anyOf, solved, written, type Equation, type Setting, type WorkingStep } from "../statement";
import type { Move } from "./way";

/** More answers than this on a range are not listed one by one. */
const MAX_LISTED = 8;

/** sin, cos or tan of a line, equal to a number: the angle in one turn, its mirror image, and whole turns more. */
export function wave(eq: Equation, on: Setting): Move | null {
  const { left, right } = eq;
  if (left.kind !== "apply" || dependsOnVariable(right)) return null;
  const name = left.name;
  if (name !== "sin" && name !== "cos" && name !== "tan") return null;
  if (!isLine(left.a)) return null;
  const level = encloseConstant(right);
  if (name !== "tan" && (level.lo > 1 || level.hi < -1))
    return { rule: "impossible", says: `A ${name === "sin" ? "sine" : "cosine"} lies between −1 and 1.`, to: NONE };
  const found = findRoots(subtract(left, right), on.table, on.range, on.work);
  const exact = found.roots.map((r) => r.exact?.expression ?? null);
  if (found.open.length > 0 || exact.length > MAX_LISTED || exact.includes(null)) return null;
  const turn = found.period ? "in one period, and again after each whole period" : "on the range";
  return {
    rule: "angles",
    says: exact.length === 0 ? "None of these lies on the range." : `Solved for ${on.x}: what lies ${turn}.`,
    to: anyOf(exact.map((e) => solved(e!))),
    notes: [families(name, left.a, right, on)],
  };
}

/** An angle that is a line in the unknown. */
function isLine(u: Expression): boolean {
  if (!dependsOnVariable(u) || u.kind === "variable") return true;
  if (u.kind === "add" || u.kind === "subtract") return isLine(u.a) && isLine(u.b);
  if (u.kind === "negate") return isLine(u.a);
  if (u.kind === "divide") return !dependsOnVariable(u.b) && isLine(u.a);
  return u.kind === "multiply" && (dependsOnVariable(u.a) ? !dependsOnVariable(u.b) && isLine(u.a) : isLine(u.b));
}

/** The angle of a sine and the like: a part of π where it is one of those that are known by heart. */
function angleOf(name: "sin" | "cos" | "tan", c: Expression): Expression {
  for (const twelfths of name === "cos" ? [0, 2, 3, 4, 6, 8, 9, 10, 12] : [0, 2, 3, 4, 6, -2, -3, -4, -6]) {
    const angle = canonical(divide(multiply(wholeNumber(twelfths), PI), wholeNumber(12)));
    if (isExactlyZero(subtract(apply(name, angle), c))) return angle;
  }
  return canonical(apply(`a${name}` as "asin", c));
}

const WORDS = { sin: "sine", cos: "cosine", tan: "tangent" } as const;

/** `u = a + 2 pi n or u = pi - a + 2 pi n`, for whole n. */
function families(name: "sin" | "cos" | "tan", u: Expression, c: Expression, { x }: Setting): WorkingStep {
  const inverse = angleOf(name, c);
  const level = encloseConstant(inverse);
  const [angle, angleTex] = [expressionText(inverse, x), expressionLatex(inverse, x)];
  const [inner, innerTex] = [expressionText(u, x), expressionLatex(u, x)];
  const turn = name === "tan" ? "pi n" : "2 pi n";
  const turnTex = name === "tan" ? "\\pi n" : "2\\pi n";
  const mirror = {
    sin: [`pi - ${angle}`, `\\pi - ${angleTex}`],
    cos: [`-${angle}`, `-${angleTex}`],
    tan: null,
  }[name];
  const first = [`${inner} = ${angle} + ${turn}`, `${innerTex} = ${angleTex} + ${turnTex}`] as const;
  const second = mirror && [`${inner} = ${mirror[0]} + ${turn}`, `${innerTex} = ${mirror[1]} + ${turnTex}`];
  const near = formatNumber((level.lo + level.hi) / 2, 6);
  const says = mirror
    ? `The angle with this ${WORDS[name]} (${near}), its mirror image, and whole turns more (n is any whole number).`
    : `The angle with this ${WORDS[name]} (${near}), and whole half turns more (n is any whole number).`;
  return written("angles", says, {
    text: second ? `${first[0]} or ${second[0]}` : first[0],
    latex: second ? `${first[1]} \\quad\\text{or}\\quad ${second[1]}` : first[1],
  });
}
