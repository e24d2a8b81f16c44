import type { Names } from "../formula";
import type { Plan } from "../model";
import { readConstraint, type Relation } from "../plan";

/** A limit that a story tells. */
interface Limit {
  readonly constraint: string | null;
  readonly label: string | null;
}

/** What a plan already limits, whichever way round it is written. */
export class KnownLimits {
  private readonly variables: readonly string[];
  private readonly keys: ReadonlySet<string>;
  private readonly labels: ReadonlySet<string>;
  constructor(
    plan: Plan,
    private readonly names: Names,
    /** the words of a text, each as its stem */
    private readonly words: (text: string) => string[],
  ) {
    this.variables = plan.variables.map((v) => v.name);
    this.keys = new Set(plan.constraints.flatMap((c) => this.keysOf(c.text)));
    this.labels = new Set(plan.constraints.flatMap((c) => words(c.label ?? "")));
  }

  has(f: Limit): boolean {
    if (f.constraint === null) return f.label !== null && this.words(f.label).some((w) => this.labels.has(w));
    const keys = this.keysOf(f.constraint);
    return keys.length === 0 || keys.every((k) => this.keys.has(k));
  }
  private keysOf(constraint: string): string[] {
    const read = readConstraint(constraint, this.variables, this.names);
    return read.ok ? read.relations.map(keyOf) : [];
  }
}

/** Relations that say the same have the same key: divided by their first coefficient. */
function keyOf({ coefficients, sense, bound }: Relation): string {
  const scale = coefficients.find((c) => c.n !== 0n)!;
  const flip = { "<=": ">=", ">=": "<=", "=": "=" } as const;
  const left = coefficients.map((c) => c.div(scale).toFraction()).join(" ");
  return `${left} ${scale.s < 0n ? flip[sense] : sense} ${bound.div(scale).toFraction()}`;
}
