import type { NumberFunction } from "../formula";
import { formatInput, formatQuantity } from "../explain";
import type { Model } from "../model";
import { roomOf, setAsideOf, type AnyAnswer, type Canvas, type SetAside } from "../question";
import type { Point, Threshold } from "./parts";

/** What points are placed on: the functions that are drawn, and the pane of each. */
export interface Ground {
  readonly numbers: ReadonlyMap<string, NumberFunction>;
  readonly model: Model;
  pane(functionName: string): number;
}

/** Marks of all answers, set-aside ones among them. */
export function answerPoints(findings: readonly AnyAnswer[], asides: ReadonlySet<SetAside>, ground: Ground): Point[] {
  return findings.flatMap((f): Point[] => {
    const drawn = f.about.functions.find((n) => ground.numbers.has(n));
    if (drawn === undefined) return [];
    const answers = roomOf(f)
      .points(f, canvasOf(f, drawn, ground))
      .map((p) => ({ ...p, pane: ground.pane(p.function), kind: "answer" as const, question: f.id }));
    const value = ground.numbers.get(drawn)!;
    const aside = setAsideOf(f)
      .filter((s) => asides.has(s) && Number.isFinite(value(s.at)))
      .map(({ at }) => ({ ...plain(drawn, at, ground), kind: "aside" as const, question: f.id }));
    return [...answers, ...aside];
  });
}

/** A point of a curve without a word beside it. */
export const plain = (name: string, x: number, ground: Ground) => ({
  x,
  y: ground.numbers.get(name)!(x),
  pane: ground.pane(name),
  function: name,
  question: null,
  label: "",
});

function canvasOf(f: AnyAnswer, drawn: string, { numbers, model }: Ground): Canvas {
  const unitOf = (name: string) => model.functions.get(name)?.unit ?? null;
  const input = model.variables.get(f.about.variable)?.unit ?? null;
  return {
    drawn,
    values: (name) => numbers.get(name),
    x: (at) => formatInput(at, input, 5),
    y: (value, name) => formatQuantity(value, unitOf(name), 5),
    isMoney: (name) => unitOf(name)?.text === "$",
  };
}

/** Levels that are asked about, as lines across their pane. */
export function thresholdsOf(findings: readonly AnyAnswer[], ground: Ground): Threshold[] {
  return findings.flatMap((f): Threshold[] => {
    const name = f.about.functions[0]!;
    const y = roomOf(f).threshold(f);
    if (y === null || !ground.numbers.has(name)) return [];
    const label = formatQuantity(y, ground.model.functions.get(name)?.unit ?? null);
    return [{ y, pane: ground.pane(name), question: f.id, label, moves: movesOf(f.id, ground.model) }];
  });
}

/** What a threshold's line stands for: a number in the question or a given named there. */
function movesOf(id: string, model: Model): Threshold["moves"] {
  const q = model.source.questions?.find((r) => r.id === id);
  if (!q || !("value" in q)) return null;
  if (typeof q.value === "number") return { kind: "question", name: id };
  if (typeof q.value !== "string") return null;
  const name = q.value.trim();
  return model.givens.has(name)
    ? { kind: "given", name }
    : /^-?\d+(?:\.\d+)?$/.test(name)
      ? { kind: "question", name: id }
      : null;
}
