import type { Problem } from "../formula";
import type { CaseProblem } from "./model";

/** Everything wrong with a case, as it is found. */
export class Problems {
  readonly errors: CaseProblem[] = [];
  readonly warnings: CaseProblem[] = [];

  /** @param p  the place in the text, and what would mend it */
  error(path: string, message: string, p?: Pick<Problem, "start" | "end" | "mend">): void {
    this.errors.push({ path, message, ...(p && placed(p)) });
  }
  warn(path: string, message: string, p?: Pick<Problem, "start" | "end" | "mend">): void {
    this.warnings.push({ path, message, ...(p && placed(p)) });
  }
}

const placed = ({ start, end, mend }: Pick<Problem, "start" | "end" | "mend">) => ({
  at: start,
  end,
  ...(mend === undefined ? {} : { mend }),
});

/** A number as a sentence says it: with a true minus sign, and no more digits than asked for. */
export const said = (value: number, digits = 17): string =>
  String(Number(value.toPrecision(digits)))
    .replace(/^-/, "−")
    .replace("Infinity", "∞");

/** Why a function cannot be used, in a plain sentence. */
export class Trouble extends Error {}
