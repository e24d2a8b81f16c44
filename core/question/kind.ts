import type { Amount, Model, Question } from "../model";
import type { NumberFunction } from "../formula";
import type { Unit } from "../units";
import type { Card } from "./common/card";
import type { Followed } from "./common/followed";
import type { Line } from "./common/line";
import type { Slots } from "./common/slots";
import type { Speech } from "./common/speech";
import type { QuestionPart, QuestionWords } from "./common/words";
import type { AnswerTo, Ask } from "./finding";

export type QuestionOf<K extends Ask> = Question & { ask: K };

/** What names and numbers of a question are changed into. */
export interface Replacing {
  name(name: string): string;
  amount(amount: Amount): Amount;
}

/** A place on the graph that answers. */
export interface AnswerPoint {
  readonly x: number;
  readonly y: number;
  readonly function: string;
  readonly label: string;
}
/** What a room needs to know of a graph to mark its answer there. */
export interface Canvas {
  /** the first function of the question that is drawn */
  readonly drawn: string;
  /** values of a function, where it is drawn */
  values(name: string): NumberFunction | undefined;
  /** an input, a value in words */
  x(at: number): string;
  y(value: number, name: string): string;
  isMoney(name: string): boolean;
}

/** What a graph was framed to show. */
export type Sight = "meeting" | "peak" | "low point" | "threshold";

/** What a function of the case looks like on its range: enough to offer a question about it. */
export interface Outline {
  readonly name: string;
  readonly unit: Unit | null;
  readonly from: number;
  readonly to: number;
  /** values at even steps, those that are none left out */
  readonly values: readonly number[];
}

/**
 * A kind of question, all that is known of it but how it is answered (`answers.ts`) and worked (`workings.ts`): a room
 * of its own under `core/question/`, named in `rooms.ts`. Whoever wants something of a question asks its room.
 */
export interface Kind<K extends Ask> {
  /** The answer as a plain sentence. */
  sentence(f: AnswerTo<K>, say: Speech, q: QuestionOf<K>): string;

  /** The question as a sentence; parts with a slot can be changed in place. */
  parts(q: QuestionOf<K>, words: QuestionWords): QuestionPart[];
  /**
   * What holds at the inputs that answer, in words after "where": "profit P is greatest"; null where an answer is no
   * input of a function.
   */
  place(q: QuestionOf<K>, words: QuestionWords): string | null;
  /** How each part that can be changed is shown and put in. */
  readonly slots: Slots<QuestionOf<K>>;
  /** Whether answers may be read as whole numbers, rounded as asked. */
  readonly isRounded: boolean;
  /** The question with its names and numbers replaced; everything it is made with passes through. */
  replaced(q: QuestionOf<K>, by: Replacing): QuestionOf<K>;
  /** What makes two questions of this kind the same, beside their functions. */
  identity(q: QuestionOf<K>): string;

  /** The question in a line that was typed; null where the line asks something else. */
  typed(line: Line): QuestionOf<K> | null;
  /** Beginnings that are offered while a line is typed, each with an example. */
  readonly starts: readonly (readonly [string, string])[];
  /** What is asked, for a list of all there is. */
  readonly asks: string;
  /** Lines that ask it; `{f}`, `{g}`, `{x}`, `{a}` stand for two functions, their variable and a given of the case. */
  readonly examples: readonly string[];
  /** The question about a function that nobody asked yet, where it suggests itself. */
  suggested(of: Outline, id: string): Question | null;

  /** Notes under the sentence: closer numbers, neighbours. */
  details(f: AnswerTo<K>, card: Card): string[];
  /** "the only crossing", of an answer that is complete; `on` tells the range, " on 0 … 250". */
  surety(f: AnswerTo<K>, on: string): string | null;
  /** The number that is followed when a given moves, and its unit. */
  followed(f: AnswerTo<K>, model: Model): Followed | null;
  /** Whether stretches that are open stand among those of the answer in what `solve` prints. */
  readonly printsOpen: boolean;

  /** Places to mark on the graph. */
  points(f: AnswerTo<K>, canvas: Canvas): AnswerPoint[];
  /** A level to draw across the graph. */
  threshold(f: AnswerTo<K>): number | null;
  /** Inputs the question itself names. */
  inputs(f: AnswerTo<K>): number[];
  /** The one input whose value is asked; the graph shows it even outside the range. */
  asksAt(f: AnswerTo<K>): number | null;
  /** What the graph shows of it, where the caption tells so. */
  sight(f: AnswerTo<K>): Sight | null;
  /** Whether its answers are inputs that may have to be whole. */
  readonly countsInputs: boolean;
}
