import {
  add,
  apply,
  dependsOnVariable,
  parts,
  subtract,
  wholeExponent,
  wholeNumber,
  type Expression,
} from "../formula";

/** A part whose zeros are special places of the whole: a pole, an edge of the domain, or (neither) a kink. */
export interface SingularPart {
  readonly inner: Expression;
  readonly pole: boolean;
  readonly edge: boolean;
}

/** Every part of an expression whose zeros may be a pole, an edge of the domain or a kink of the whole. */
export function singularParts(e: Expression, out: SingularPart[] = []): SingularPart[] {
  if (!dependsOnVariable(e)) return out;
  for (const p of parts(e)) singularParts(p, out);
  const note = (inner: Expression, pole: boolean, edge: boolean) => {
    if (dependsOnVariable(inner)) out.push({ inner, pole, edge });
  };
  switch (e.kind) {
    case "divide":
      note(e.b, true, true);
      break;
    case "power": {
      const n = wholeExponent(e.b);
      if (n === null || n < 0) note(e.a, e.b.kind !== "number" || e.b.value < 0, true);
      break;
    }
    case "root":
      note(e.a, false, e.n % 2 === 0);
      break;
    case "min":
    case "max":
      note(subtract(e.a, e.b), false, false);
      break;
    case "apply":
      if (e.name === "ln" || e.name === "log10" || e.name === "log2") note(e.a, true, true);
      else if (e.name === "sqrt") note(e.a, false, true);
      else if (e.name === "abs" || e.name === "cbrt") note(e.a, false, false);
      else if (e.name === "step" || e.name === "sign") note(e.a, false, true);
      else if (e.name === "tan") note(apply("cos", e.a), true, true);
      else if (e.name === "asin" || e.name === "acos") {
        note(subtract(e.a, wholeNumber(1)), false, true);
        note(add(e.a, wholeNumber(1)), false, true);
      }
      break;
    default:
  }
  return out;
}
