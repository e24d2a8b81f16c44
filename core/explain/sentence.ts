import { readingOf, type Finding, type FindingStretch, type Model, type Solution } from "../model";
import { times, type Unit } from "../units";
import {
  formatCount,
  formatInput,
  formatNumber,
  formatQuantity,
  inputNoun,
  isCounted,
  isMoney,
  isPercent,
  oneOf,
} from "./quantity";

/** The answer to a question as a plain sentence, in the units and words of the story. */
export function sentenceOf(f: Finding, model: Model): string {
  if (f.status === "error") return f.message ?? "This question could not be answered.";
  return new Speaker(f, model).sentence();
}

class Speaker {
  private readonly input: Unit | null;
  private readonly output: Unit | null;
  private readonly x: string;
  private readonly name: string;
  private readonly other: string;

  constructor(
    private readonly f: Finding,
    private readonly model: Model,
  ) {
    const variable = model.variables.get(f.about.variable);
    this.x = f.about.variable;
    this.input = variable?.unit ?? null;
    this.name = f.about.functions[0] ?? "";
    this.other = f.about.functions[1] ?? "";
    this.output = model.functions.get(this.name)?.unit ?? null;
  }

  /** The answer; of one that comes again for ever, how often. */
  sentence(): string {
    const said = this.say();
    const { repeats, status, solutions, stretches } = this.f;
    if (!repeats || status !== "found" || solutions.length + stretches.length === 0) return said;
    return `${said.replace(/\.$/, "")}, and again every ${formatQuantity(repeats.every, this.input)}.`;
  }

  private say(): string {
    const { f } = this;
    if (f.isCut) return "Not settled: cut short, since it takes more work than one question is given.";
    switch (f.ask) {
      case "meet":
      case "reach":
        return this.level();
      case "multiply":
        return this.multiply();
      case "where":
        return this.where();
      case "greatest":
      case "least":
        return this.best();
      case "value":
        return this.value();
      case "rate":
        return this.rate();
      case "total":
      case "average":
        return this.total();
      case "compare":
        return this.compare();
      case "given":
        return this.given();
    }
  }

  private at(x: number, digits = 6): string {
    const text = formatQuantity(x, this.input, digits);
    return this.isCounted() ? text : `${this.x} = ${text}`;
  }
  /** An input inside brackets: the number alone, a percentage as one. */
  private bare(x: number): string {
    return formatInput(x, this.input);
  }
  private out(y: number): string {
    return formatCount(y, this.output);
  }
  private range(): string {
    const { from, to } = this.f.about;
    if (this.f.searched)
      return `on the range searched, ${this.bare(this.f.searched.from)} … ${this.bare(this.f.searched.to)}`;
    if (from === null && to === null) return `for any ${this.x}`;
    if (from === null) return `up to ${this.at(to!)}`;
    if (to === null) return `from ${this.at(from)} on`;
    return `on ${this.bare(from)} … ${formatQuantity(to, this.input)}`;
  }
  private goal(): string {
    return this.f.ask === "meet"
      ? `${this.name} and ${this.other} meet`
      : `${this.name} is ${this.out(this.f.about.level ?? 0)}`;
  }
  private noun(): string {
    return inputNoun(this.x, this.input);
  }
  private isCounted(): boolean {
    return this.noun() !== this.x;
  }

  private level(): string {
    const { f } = this;
    const sorted = f.solutions;
    if (f.status === "unsettled") return this.unsettled();
    if (f.status === "everywhere")
      return f.ask === "meet"
        ? `${this.name} and ${this.other} are equal everywhere ${this.range()}: their greatest ` +
            `difference is ${this.out(f.gap?.size ?? 0)}.`
        : `${this.name} is ${this.out(f.about.level ?? 0)} everywhere ${this.range()}.`;
    if (f.status === "none") return this.never();
    if (sorted.length === 0) return `${this.goal()} ${few(f.stretches.map((s) => this.stretch(s)))}.`;
    if (sorted.length === 1) return this.one(sorted[0]!);
    const digits =
      [6, 9, 12, 16].find((d) => new Set(sorted.map((s) => formatNumber(s.at, d))).size === sorted.length) ?? 16;
    const places = sorted.map((s) => this.place(s, digits));
    if (sorted.length > MOST_TOLD)
      return `${this.goal()} at ${sorted.length} places, from ${places[0]} to ${places[places.length - 1]}.`;
    return `${this.goal()} at ${list(places)}${this.wholes(sorted)}.`;
  }

  private place(s: Solution, digits = 6): string {
    return s.reads ? `${this.at(s.at, digits)} (${s.reads})` : this.at(s.at, digits);
  }
  /** "from 8 to 10 lanterns", "from x = 8 to 10" */
  private span(from: number, to: number): string {
    const end = formatQuantity(to, this.input, 6);
    return this.isCounted() ? `from ${formatNumber(from)} to ${end}` : `from ${this.x} = ${this.bare(from)} to ${end}`;
  }
  private stretch(s: FindingStretch): string {
    return this.span(s.from ?? -Infinity, s.to ?? Infinity);
  }

  private wholes(all: readonly Solution[]): string {
    const wholes = all.filter((s) => s.whole && s.whole.at !== s.at);
    // Only when it goes up and down in turn do the whole numbers part the range; after a jump they are just told.
    if (this.f.about.round || wholes.some((s, i) => i > 0 && s.turns === wholes[i - 1]!.turns))
      return wholes.length > 0 ? `; in whole numbers ${list(wholes.map((s) => formatNumber(s.whole!.at)))}` : "";
    const parts = all.flatMap((s) =>
      s.whole && s.whole.at !== s.at
        ? [`${s.turns < 0 ? "up to" : "from"} ${formatQuantity(s.whole.at, this.input)}${s.turns < 0 ? "" : " on"}`]
        : [],
    );
    return parts.length > 0 ? `: ${this.holdsWord()} ${list(parts)}` : "";
  }
  private holdsWord(): string {
    if (this.f.ask === "meet") return `${this.name} is at least ${this.other}`;
    return `it is at least ${this.out(this.f.about.level ?? 0)}`;
  }

  private one(s: Solution): string {
    const { f } = this;
    const whole = s.whole;
    const touches = s.kind === "touching" ? ", touching it only" : "";
    if (whole && whole.at !== s.at) {
      const count = this.isCounted() ? formatQuantity(whole.at, this.input) : `${this.x} = ${formatNumber(whole.at)}`;
      if (f.about.round)
        return (
          `${this.goal()} at ${this.place(s)}: ${count} when rounded ` +
          `${f.about.round === "nearest" ? "to the nearest" : f.about.round}.`
        );
      const pays = isMoney(this.output) && (f.ask === "meet" || f.about.level === 0);
      const goal = pays
        ? "pays"
        : f.ask === "meet"
          ? `gives ${this.name} at least ${this.other}`
          : `gives at least ${this.out(f.about.level ?? 0)}`;
      if (s.turns > 0) return `${count} is the first whole number that ${goal}.`;
      if (s.turns < 0) return `${count} is the last whole number that ${pays ? "still pays" : goal}.`;
      return `${count} is the whole number next to it that ${goal}.`;
    }
    if (whole) return `${this.goal()} at exactly ${this.at(s.at)}${touches}.`;
    return `${this.goal()} at ${this.place(s)}${touches}.`;
  }

  private never(): string {
    const { f } = this;
    const b = f.behaviour;
    const goal =
      f.ask === "meet"
        ? `${this.name} and ${this.other} never meet ${this.range()}`
        : `${this.name} is never ${this.out(f.about.level ?? 0)} ${this.range()}`;
    const jump =
      f.jumps.length > 0
        ? ` It jumps over that value at ${list(f.jumps.map((j) => this.at(j)))} without taking it.`
        : "";
    if (f.ask === "meet" && f.gap)
      return `${goal}; they differ most, by ${this.out(f.gap.size)}, at ${this.at(f.gap.at)}.${jump}`;
    if (!b || f.ask === "meet") return `${goal}.${jump}`;
    return `${goal}: it ${this.stays()}.${jump}`;
  }

  /** What the function does instead. */
  private stays(): string {
    const b = this.f.behaviour!;
    const above = b.low > b.level;
    const bound = above
      ? `stays ${this.bound(b.low, -1)}`
      : b.high < b.level
        ? `stays ${this.bound(b.high, 1)}`
        : "passes it without taking it";
    if (b.approaches !== null && Math.abs(b.approaches - b.level) <= 1e-9 * Math.max(1, Math.abs(b.level)))
      return (
        `${b.monotone === "falls" ? "falls and" : b.monotone === "rises" ? "rises and" : ""} ` +
        `comes ever closer to ${this.out(b.approaches)} without reaching it`
      ).trim();
    if (b.low === b.high) return `is always ${this.out(b.low)}`;
    if (b.low === b.level || b.high === b.level)
      return b.low === b.level ? `stays at or above ${this.out(b.low)}` : `stays at or below ${this.out(b.high)}`;
    if (b.monotone && b.from !== null) return `${b.monotone} from ${this.out(b.from)} and ${bound}`;
    return bound;
  }
  /** "above 0.3114": a bound rounded so that the statement stays true. */
  private bound(y: number, side: 1 | -1): string {
    const word = side < 0 ? "above" : "below";
    if (!Number.isFinite(y)) return `${word} ${this.out(y)}`;
    const money = isMoney(this.output);
    const small = Math.abs(y) < (money ? 0.01 : Number.MIN_VALUE);
    const step = isCounted(this.output)
      ? 1
      : money && !small
        ? 0.01
        : y === 0
          ? 1
          : 10 ** (Math.floor(Math.log10(Math.abs(y))) - 3);
    const rounded = Number(((side < 0 ? Math.floor(y / step) : Math.ceil(y / step)) * step).toPrecision(12));
    // A bound that rounding does not move may be taken itself.
    const text = money && small ? formatNumber(rounded, 4) : formatQuantity(rounded, this.output);
    return Math.abs(rounded - y) <= Math.abs(y) * 1e-9 ? `at or ${word} ${text}` : `${word} ${text}`;
  }

  private unsettled(): string {
    const rest = this.f.open
      .filter((s) => s.from !== null)
      .map((s) => {
        const [a, b] = [formatInput(s.from!, this.input, 8), formatInput(s.to ?? Infinity, this.input, 8)];
        return a === b ? `near ${a}` : `on ${a} … ${b}`;
      });
    const places = [...new Set(rest)];
    const told = places.length > MOST_TOLD ? few(places, "and", "stretches") : list(places);
    return `Not settled: whether ${this.goal()} could not be proven or excluded${told ? ` ${told}` : ""}.`;
  }

  private multiply(): string {
    const { f } = this;
    const start = f.about.at ?? 0;
    const goal = this.out(f.about.level ?? 0);
    if (f.status === "unsettled")
      return `Not settled: whether ${this.name} comes to ${goal} could not be proven or excluded.`;
    const s = f.solutions[0];
    if (!s && f.stretches.length > 0) return f.message!;
    if (!s) return `${this.name} never comes to ${goal} ${this.range()}${f.behaviour ? `: it ${this.stays()}` : ""}.`;
    const time = formatQuantity(s.at - start, this.input);
    return (
      `${this.name} comes to ${goal} after ${time}` +
      `${start === 0 ? "" : `, at ${this.at(s.at)}`}${s.reads ? ` (${s.reads})` : ""}.` +
      `${this.firstWhole(s)}`
    );
  }

  /** "The first month below half is month 84." */
  private firstWhole(s: Solution): string {
    const { whole } = s;
    if (!whole || whole.at === s.at) return "";
    const q = this.model.source.questions?.find((r) => r.id === this.f.id);
    const factor = q?.ask === "multiply" ? q.factor : null;
    const goal = factor === 0.5 ? "half" : factor === 2 ? "double" : this.out(this.f.about.level ?? 0);
    const noun = this.isCounted() ? inputNoun(this.x, this.input, 1) : this.x;
    // A falling function is below from the next whole input on; a rising one reaches it there.
    const first = Math.floor(s.at) + 1;
    const which = this.isCounted() ? `${noun} ${formatNumber(first)}` : `${this.x} = ${formatNumber(first)}`;
    return (
      ` The first ${this.isCounted() ? noun : "whole number"} ` +
      `${s.turns < 0 ? "below" : "at or above"} ${goal} is ${which}.`
    );
  }

  private where(): string {
    const { f } = this;
    const relation = `${this.name} is ${this.relation()} ${this.out(f.about.level ?? 0)}`;
    if (f.status === "unsettled") return `Not settled: where ${relation} could not be proven.`;
    if (f.status === "none")
      return `${relation.replace(" is ", " is never ")} ${this.range()}${f.behaviour ? `: it ${this.stays()}` : ""}.`;
    if (f.status === "everywhere") return `${relation} everywhere ${this.range()}.`;
    const parts = f.stretches.map((s) => {
      const [a, b] = [s.from ?? -Infinity, s.to ?? Infinity];
      if (a === b) return `at ${this.at(a)}`;
      const last =
        s.first !== null && Number.isFinite(b)
          ? Math.floor(s.ends.endsWith(")") && Number.isInteger(b) ? b - 1 : b)
          : null;
      if (s.first !== null && last !== null)
        return last === s.first
          ? `for ${formatQuantity(last, this.input)}`
          : `from ${formatNumber(s.first)} to ${formatQuantity(last, this.input)}`;
      if (!Number.isFinite(a)) return `up to ${this.at(b)}`;
      if (!Number.isFinite(b)) return `from ${this.at(a)} on`;
      return this.span(a, b);
    });
    return `${relation} ${few(parts)}.`;
  }
  private relation(): string {
    const q = this.model.source.questions?.find((r) => r.id === this.f.id);
    return q?.ask === "where" ? { "<": "below", "<=": "at most", ">": "above", ">=": "at least" }[q.relation] : "";
  }

  private best(): string {
    const { f } = this;
    if (f.status === "none") return f.bound ? this.unattained(f.bound) : f.message!;
    if (f.status === "unsettled") return `Not settled: where ${this.name} is ${f.ask} could not be proven.`;
    const value = f.value === null ? "" : this.out(f.value);
    if (f.status === "everywhere") return `${this.name} is ${value} throughout; no input is better than another.`;
    if (f.stretches.length > 0 && !f.wholeTies)
      return `${this.name} is ${f.ask} ${few(f.stretches.map((s) => this.stretch(s)))}: ${value}.`;
    if (f.wholeTies) {
      const ties = f.wholeTies.map((t) => formatNumber(t.at));
      return (
        `${few(ties, "or", "inputs")} ${this.isCounted() ? this.noun() : ""}`.trim() +
        `: ${this.out(f.wholeTies[0]!.value)}.`
      );
    }
    const whole = f.solutions[0]?.whole;
    if (whole && this.isCounted()) return `${formatQuantity(whole.at, this.input)}: ${this.out(whole.value)}.`;
    if (whole) return `${this.name} is ${f.ask} at ${this.x} = ${formatNumber(whole.at)}: ${this.out(whole.value)}.`;
    const places = f.solutions.map((s) => this.place(s));
    return `${this.name} is ${f.ask} at ${few(places, "and", "places")}: ${value}.`;
  }

  /** A greatest or least value that is approached only, or has no bound. */
  private unattained({ value, at }: NonNullable<Finding["bound"]>): string {
    const isGreatest = this.f.ask === "greatest";
    const far = this.f.about.to === null ? "grows" : "falls";
    const none = `${this.name} has no ${this.f.ask} value`;
    if (value === null)
      return (
        `${none}: it ${isGreatest ? "grows" : "falls"} without bound ` +
        `${at === null ? `as ${this.x} ${far}` : `near ${this.at(at)}`}.`
      );
    const where = at === null ? `as ${this.x} ${far}` : `as ${this.x} approaches ${formatQuantity(at, this.input)}`;
    return `${none}: it comes ever closer to ${formatQuantity(value, this.output)} ${where}, and does not take it.`;
  }

  private value(): string {
    const { f } = this;
    if (f.value === null) return f.message!;
    const beyond = f.message ? ` ${f.message}` : "";
    const at = f.about.at ?? 0;
    const variable = this.model.variables.get(f.about.variable);
    const reads = variable?.since ? readingOf(at, variable) : null;
    const data = f.estimate ? `, ${estimateWords(f.estimate.beyond, this.input)}` : "";
    return (
      `${this.name}(${this.bare(at)})` +
      `${reads ? `, ${/^-?\d+$/.test(reads) ? "in" : "on"} ${reads},` : ""} is ` +
      `${this.out(f.value)}${data}.${beyond}`
    );
  }

  private rate(): string {
    const { f } = this;
    if (f.value === null) return f.message!;
    const q = this.model.source.questions?.find((r) => r.id === f.id);
    const percent = q?.ask === "rate" && q.as === "percent";
    // A variable in % is counted in points: a change per 1 would be one per 100 of them.
    const isPoints = isPercent(this.input);
    const per = ` per ${isPoints ? "percentage point" : oneOf(this.x, this.input)}`;
    const change = isPoints ? f.value / 100 : f.value;
    const amount = percent
      ? `${formatNumber(change * 100)} %`
      : isPercent(this.output)
        ? `${formatNumber(change * 100)} percentage points`
        : formatQuantity(change, this.output);
    if (f.about.between) return `${this.name} changes by ${amount}${per} on average ${this.span(...f.about.between)}.`;
    return `At ${this.at(f.about.at ?? 0)} ${this.name} changes by ${amount}${per}.`;
  }

  private total(): string {
    const { f } = this;
    if (f.value === null) return f.message ?? "Not settled.";
    const [a, b] = f.about.between ?? [0, 0];
    const stretch = this.span(a, b);
    if (f.ask === "average") return `${this.name} is ${this.out(f.value)} on average ${stretch}.`;
    const product = this.totalUnit();
    return (
      `The total of ${this.name} ${stretch} is ` +
      `${product === null ? formatNumber(f.value) : formatQuantity(f.value, product)}.`
    );
  }
  private totalUnit(): Unit | null {
    return this.output && this.input ? times(this.output, this.input) : null;
  }

  private compare(): string {
    if (this.f.status === "unsettled") return "Not settled: which is least could not be proven.";
    if (this.f.status === "none") return this.f.message!;
    const parts = this.f.stretches.map((s) => {
      const who = s.least ?? "several are equal";
      const first =
        s.first !== null && s.first > (s.from ?? -Infinity) && s.from !== this.f.about.from
          ? `from ${formatQuantity(s.first, this.input)} on`
          : s.from === this.f.about.from
            ? `up to ${this.at(s.to ?? Infinity)}`
            : `from ${this.at(s.from ?? -Infinity)} on`;
      return this.f.stretches.length === 1 ? `${who} everywhere ${this.range()}` : `${who} ${first}`;
    });
    const shown = parts.length > MOST_TOLD ? [...parts.slice(0, 3), "…", ...parts.slice(-1)] : parts;
    const count = parts.length > MOST_TOLD ? ` ${parts.length} stretches in all.` : "";
    return `Least: ${shown.join("; ")}.${count}`;
  }

  private given(): string {
    const { f } = this;
    const k = f.about.given ?? "";
    const unit = this.model.givens.get(k)?.unit ?? null;
    const goal = `${this.name}(${this.bare(f.about.at ?? 0)}) is ${this.out(f.about.level ?? 0)}`;
    if (f.status === "everywhere") return `${goal} whatever ${k} is.`;
    if (f.status === "unsettled") return `Not settled: which ${k} makes ${goal} could not be proven.`;
    if (f.status === "none")
      return (
        `No ${k} from ${formatInput(f.about.from ?? 0, unit)} to ` +
        `${formatQuantity(f.about.to ?? 0, unit)} makes it so that ${goal}.`
      );
    const values = f.solutions.map((s) => formatQuantity(s.at, unit));
    return `${k} has to be ${few(values, "or", "values")} so that ${goal}.`;
  }
}

/** Answers that are told one by one; of more, the number, the first and the last. */
const MOST_TOLD = 6;
const few = (parts: readonly string[], word = "and", what = "stretches"): string =>
  parts.length <= MOST_TOLD
    ? list(parts, word)
    : `${what === "stretches" ? "on " : ""}${parts.length} ${what}, the first ${parts[0]}, ` +
      `the last ${parts[parts.length - 1]}`;

export function list(parts: readonly string[], word = "and"): string {
  if (parts.length <= 1) return parts[0] ?? "";
  return `${parts.slice(0, -1).join(", ")} ${word} ${parts[parts.length - 1]}`;
}

/** `inside the data`, `3 weeks beyond the last row`, `2 weeks before the first row`. */
export function estimateWords(beyond: number, input: Unit | null): string {
  return beyond === 0
    ? "inside the data"
    : `${formatQuantity(Math.abs(beyond), input, 6)} ${beyond > 0 ? "beyond the last row" : "before the first row"}`;
}
