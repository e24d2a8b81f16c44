import {
  closeProblem,
  divisionWarning,
  exponentWarning,
  emptyBracketsProblem,
  expectedProblem,
} from "./syntaxProblems";
import { ratio } from "../numeric";
import { applied, numberOf, raised } from "./syntaxParts";
import { problem, quoted, type Problem } from "./problem";
import { tokenize, type Token } from "./tokens";
import { type Operator, type Syntax, type Parsed, MAX_LENGTH, MAX_DEPTH, Failure } from "./syntaxTree";

/**
 * Reads school mathematics. Implied products bind exactly like `*`, left to right; powers bind to the right and before
 * a leading minus.
 *
 * @param text        the formula
 * @param isFunction  whether a name before a bracket is applied to it; otherwise it is multiplied by it
 * @returns the syntax with places, or the first problem; never throws
 */
export function parse(text: string, isFunction: (name: string) => boolean): Parsed {
  if (text.length > MAX_LENGTH) {
    return {
      ok: false,
      problem: problem(
        "too-long",
        { start: MAX_LENGTH, end: text.length },
        `The formula has ${text.length} characters; ${MAX_LENGTH} is the most that is read. ` +
          "Name a part of it as a function of its own.",
      ),
    };
  }
  const { tokens, problem: strange } = tokenize(text);
  if (strange) return { ok: false, problem: strange };
  const reader = new Reader(text, tokens, isFunction);
  try {
    return { ok: true, syntax: reader.whole(), warnings: reader.warnings };
  } catch (failure) {
    if (failure instanceof Failure) return { ok: false, problem: failure.problem };
    throw failure;
  }
}

class Reader {
  readonly warnings: Problem[] = [];

  private next = 0;

  private depth = 0;

  constructor(
    private readonly text: string,
    private readonly tokens: readonly Token[],
    private readonly isFunction: (name: string) => boolean,
  ) {}

  whole(): Syntax {
    if (this.peek().kind === "end")
      throw new Failure(
        problem(
          "empty",
          { start: 0, end: this.text.length },
          "There is no formula yet: a number or a name should stand here.",
        ),
      );
    const syntax = this.sum();
    const token = this.peek();
    if (token.kind === "close")
      throw new Failure(
        problem(
          "unopened",
          token,
          `The bracket ${quoted(this.text.slice(token.start, token.end))} at place ` +
            `${token.start + 1} closes nothing; take it out or open one before it.`,
        ),
      );
    if (token.kind === "comma")
      throw new Failure(
        problem(
          "unexpected",
          token,
          `The comma at place ${token.start + 1} does not belong here. Decimals take a point ` +
            "(2.5), thousands three digits after the comma (1,200).",
        ),
      );
    if (token.kind !== "end")
      throw new Failure(
        problem(
          "unexpected",
          token,
          `${quoted(this.text.slice(token.start, token.end))} at place ${token.start + 1} is not expected here.`,
        ),
      );
    return syntax;
  }

  private peek(): Token {
    return this.tokens[this.next]!;
  }

  private take(): Token {
    return this.tokens[this.next++]!;
  }

  private deeper<T>(read: () => T): T {
    if (++this.depth > MAX_DEPTH)
      throw new Failure(
        problem(
          "too-deep",
          this.peek(),
          `The formula is nested more than ${MAX_DEPTH} deep here; name an inner part as a function of its own.`,
        ),
      );
    const result = read();
    this.depth--;
    return result;
  }

  private sum(): Syntax {
    let left = this.product();
    for (let count = 0; ; count++) {
      const token = this.peek();
      if (token.kind !== "operator" || (token.op !== "+" && token.op !== "-")) return left;
      this.take();
      left = this.operation(token.op, left, this.product(), false);
      // A long chain leans left: its tree is as deep as it is long.
      if (count > 1000)
        throw new Failure(
          problem("too-deep", token, "The sum has more than 1,000 terms; name a part of it as a function of its own."),
        );
    }
  }

  private product(): Syntax {
    let left = this.signed();
    for (;;) {
      const token = this.peek();
      if (token.kind === "operator" && (token.op === "*" || token.op === "/")) {
        this.take();
        const right = this.signed();
        this.warn(exponentWarning(this.text, left, token.op, right));
        left = this.operation(token.op, left, right, false);
      } else if (
        token.kind === "number" ||
        token.kind === "name" ||
        token.kind === "open" ||
        token.kind === "radical"
      ) {
        const before = this.tokens[this.next - 1]!;
        if (token.kind === "number" && before.kind === "number") {
          throw new Failure(
            problem(
              "missing-operator",
              { start: before.start, end: token.end },
              `Between ${quoted(this.text.slice(before.start, before.end))} and ` +
                `${quoted(this.text.slice(token.start, token.end))} an operation is missing.`,
            ),
          );
        }
        const right = this.power();
        this.warn(exponentWarning(this.text, left, "*", right));
        this.warn(divisionWarning(this.text, left, right));
        left = this.operation("*", left, right, true);
      } else return left;
    }
  }

  private warn(warning: Problem | null): void {
    if (warning) this.warnings.push(warning);
  }

  private operation(op: Operator, left: Syntax, right: Syntax, implied: boolean): Syntax {
    return { type: "operation", op, left, right, implied, start: left.start, end: right.end };
  }

  private signed(): Syntax {
    const token = this.peek();
    if (token.kind === "operator" && token.op === "-") {
      this.take();
      const of = this.deeper(() => this.signed());
      return { type: "negate", of, start: token.start, end: of.end };
    }
    if (token.kind === "operator" && token.op === "+") {
      this.take();
      return this.deeper(() => this.signed());
    }
    return this.power();
  }

  private power(): Syntax {
    let base = this.atom();
    for (let token = this.peek(); token.kind === "superscript"; token = this.peek()) {
      this.take();
      const exponent: Syntax = {
        type: "number",
        text: String(token.power),
        value: token.power,
        exact: ratio(token.power),
        percent: false,
        start: token.start,
        end: token.end,
      };
      base = raised(base, exponent);
    }
    const token = this.peek();
    if (token.kind !== "operator" || token.op !== "^") return base;
    this.take();
    const exponent = this.deeper(() => this.signedPower());
    return raised(base, exponent);
  }

  /** An exponent may carry its own sign: 2^-x. */
  private signedPower(): Syntax {
    const token = this.peek();
    if (token.kind === "operator" && (token.op === "-" || token.op === "+")) {
      this.take();
      const of = this.deeper(() => this.signedPower());
      return token.op === "+" ? of : { type: "negate", of, start: token.start, end: of.end };
    }
    return this.power();
  }

  private atom(): Syntax {
    const token = this.take();
    switch (token.kind) {
      case "number":
        return numberOf(this.text, token);
      case "name":
        return this.name(token);
      case "open": {
        const of = this.deeper(() => this.sum());
        const close = this.close(token);
        return { type: "bracket", of, start: token.start, end: close.end };
      }
      case "radical": {
        const of = this.deeper(() => this.atom());
        return applied({ ...token, name: "sqrt", primes: 0 }, [of.type === "bracket" ? of.of : of], of.end);
      }
      default:
        throw new Failure(expectedProblem(this.text, this.tokens[this.next - 2], token));
    }
  }

  private name(token: Token & { kind: "name" }): Syntax {
    const open = this.peek();
    if (open.kind === "open" && (token.primes > 0 || this.isFunction(token.name))) {
      this.take();
      const args: Syntax[] = [];
      if (this.peek().kind === "close") throw new Failure(emptyBracketsProblem(token, this.peek().end));
      for (;;) {
        args.push(this.deeper(() => this.sum()));
        if (this.peek().kind !== "comma") break;
        this.take();
      }
      return applied(token, args, this.close(open).end);
    }
    if (token.primes > 0) return applied(token, [], token.end);
    return { type: "name", name: token.name, start: token.start, end: token.end };
  }

  private close(open: Token): Token {
    if (this.peek().kind === "close") return this.take();
    throw new Failure(closeProblem(this.text, open, this.peek()));
  }
}
