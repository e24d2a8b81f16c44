import { problem, quoted, type Problem, type Span } from "./problem";
import type { Syntax } from "./syntaxTree";
import type { Token } from "./tokens";

/** Why a bracket is not closed where this token is. */
export function closeProblem(text: string, open: Token, token: Token): Problem {
  if (token.kind === "end")
    return problem(
      "unclosed",
      open,
      `The bracket opened at place ${open.start + 1} in ${quoted(text)} is not closed: a \`)\` is missing.`,
      `${text.slice(open.start, open.end)}`,
    );
  if (token.kind === "comma")
    return problem(
      "unexpected",
      token,
      `The comma at place ${token.start + 1} does not belong here. Decimals take a point ` +
        "(2.5), thousands three digits after the comma (1,200).",
    );
  return problem(
    "unexpected",
    token,
    `${quoted(text.slice(token.start, token.end))} at place ${token.start + 1} is not expected here.`,
  );
}

/** What should have come where another token, or the end, is. @param before  the token it follows */
export function expectedProblem(text: string, before: Token | undefined, token: Token): Problem {
  if (token.kind === "end") {
    const last = before ? word(text, before) : "";
    return problem(
      "unfinished",
      { start: before?.start ?? 0, end: text.length },
      `${quoted(text.trim())} stops after ${last}: a number or a name should follow.`,
    );
  }
  if (token.kind === "close" && before?.kind === "open")
    return problem(
      "unfinished",
      { start: before.start, end: token.end },
      `The brackets at place ${before.start + 1} are empty: a number or a name should stand between them.`,
    );
  const found = word(text, token);
  return problem(
    "unexpected",
    token,
    before
      ? `After ${word(text, before)} at place ${before.start + 1} comes ${found}; a number or a name should follow.`
      : `The formula starts with ${found}; a number or a name should come first.`,
  );
}

function word(text: string, token: Token): string {
  if (token.kind === "operator")
    return {
      "+": "the plus",
      "-": "the minus",
      "*": "the times sign",
      "/": "the division sign",
      "^": "the power sign",
    }[token.op];
  if (token.kind === "open" || token.kind === "close")
    return `the bracket ${quoted(text.slice(token.start, token.end))}`;
  if (token.kind === "comma") return "the comma";
  if (token.kind === "radical") return "the root sign";
  return quoted(text.slice(token.start, token.end));
}

/** A function without an input. @param end  where its brackets end */
export const emptyBracketsProblem = (token: Token & { kind: "name" }, end: number): Problem =>
  problem(
    "needs-argument",
    { start: token.start, end },
    `Between the brackets of ${quoted(token.name)} an input is missing, as in \`${token.name}(x)\`.`,
  );

/** `1/2 x` is read from the left: (1/2)·x. @param right  what follows the division without a sign */
export function divisionWarning(text: string, left: Syntax, right: Syntax): Problem | null {
  if (left.type !== "operation" || left.op !== "/") return null;
  const written = (part: Span) => text.slice(part.start, part.end);
  const [top, bottom, factor] = [written(left.left), written(left.right), written(right)];
  const whole = { start: left.start, end: right.end };
  const below = `${top}/(${bottom} ${factor})`;
  return problem(
    "reads-otherwise",
    whole,
    `${quoted(written(whole))} is read as (${top}/${bottom})·${factor}. ` +
      `If ${quoted(factor)} belongs below the line, write ${quoted(below)}.`,
    below,
  );
}

/**
 * `e^2x` is read as (e^2)·x, and `x^1/2` as (x^1)/2. It is told where many would take what follows for a part of the
 * exponent: a number raised to a number is one by itself, and nobody writes the power 1.
 * @param left  the product so far; @param right  what follows it, multiplied without a sign or dividing it
 */
export function exponentWarning(text: string, left: Syntax, op: "*" | "/", right: Syntax): Problem | null {
  const last = left.type === "operation" && (left.op === "*" || left.op === "/") ? left.right : left;
  const raised = last.type === "negate" ? last.of : last;
  if (raised.type !== "operation" || raised.op !== "^") return null;
  const [base, exponent] = [raised.left, raised.right];
  const number = exponent.type === "negate" ? exponent.of : exponent;
  const between = (a: Span, b: Span) => text.slice(a.end, b.start);
  const isWrittenSo = between(base, exponent) === "^" && between(exponent, right) === (op === "/" ? "/" : "");
  if (number.type !== "number" || !isWrittenSo) return null;
  const isName =
    right.type === "name" || (right.type === "operation" && right.op === "^" && right.left.type === "name");
  const isGrowth = op === "*" && isName && (base.type === "number" || (base.type === "name" && base.name === "e"));
  const isRoot = op === "/" && right.type === "number" && number.text === "1";
  if (!isGrowth && !isRoot) return null;
  const written = (part: Span) => text.slice(part.start, part.end);
  const whole = { start: raised.start, end: right.end };
  const rest = text.slice(exponent.end, right.end);
  const above = `${written(base)}^(${written(exponent)}${rest})`;
  return problem(
    "reads-otherwise",
    whole,
    `${quoted(written(whole))} is read as (${written(raised)})${isRoot ? "" : "·"}${rest}. ` +
      `If ${quoted(rest)} belongs to the exponent, write ${quoted(above)}.`,
    above,
  );
}
