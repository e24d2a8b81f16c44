import { Enclosure, ENTIRE } from "../interval";
import { Noted, compileEnclosure, type Expression } from "../formula";

const NO_FUNCTIONS = () => (): Enclosure => ENTIRE;
const memo = new Noted<Enclosure>();
/** Proven bounds of an expression without variable. */
export function encloseConstant(e: Expression): Enclosure {
  const known = memo.get(e);
  if (known) return known;
  const made = compileEnclosure(e, NO_FUNCTIONS)(new Enclosure(0, 0));
  memo.set(e, made);
  return made;
}
