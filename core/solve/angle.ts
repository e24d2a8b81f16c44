import { apply, type Expression } from "../formula";
import { encloseConstant } from "./encloseConstant";

const ARCS = { sin: "asin", cos: "acos", tan: "atan" } as const;
/** The ends of the angles that asin, acos and atan tell, a little within. */
const ANGLES = { sin: [-1.57, 1.57], cos: [0.001, 3.14], tan: [-1.57, 1.57] } as const;
type Wave = keyof typeof ARCS;
const WAVES = { asin: "sin", acos: "cos", atan: "tan" } as const;

/** asin c and the like; of c = sin d it is d itself, where that is such an angle. */
export function angleOf(name: Wave, c: Expression): Expression {
  return unwound(name, c) ?? apply(ARCS[name], c);
}

/** What asin(sin d) and the like are, where that is d itself; null for others. */
export const arcUndone = (arc: keyof typeof WAVES, c: Expression): Expression | null => unwound(WAVES[arc], c);

function unwound(name: Wave, c: Expression): Expression | null {
  const angle = c.kind === "apply" && c.name === name ? c.a : null;
  if (!angle) return null;
  const [least, most] = ANGLES[name];
  const at = encloseConstant(angle);
  return at.lo >= least && at.hi <= most ? angle : null;
}
