import { list } from "../../explain";
import { closer, neighbours } from "../common/card";
import { sidesOf } from "../common/line";
import { levelSentence, suretyOfPlaces } from "../common/levelWords";
import { followedInput } from "../common/followed";
import { pointsOf } from "../common/pointsOf";
import { rangeReplaced } from "../common/replaced";
import { functionSlot, range, rounding } from "../common/slots";
import type { Speech } from "../common/speech";
import type { MeetFinding } from "../finding";
import type { Kind, QuestionOf } from "../kind";

const inPlace = (i: number) =>
  functionSlot<QuestionOf<"meet">>(
    (q) => q.functions[i] ?? "",
    (q, name) => ({ ...q, functions: Object.assign([...q.functions], { [i]: name }) }),
  );

function never(f: MeetFinding, say: Speech): string {
  const goal = `${say.name} and ${say.other} never meet ${say.range(f.searched)}`;
  if (!f.gap) return goal;
  const by = say.out(f.gap.size);
  return f.gap.at === null
    ? `${goal}; they differ by ${by} throughout`
    : `${goal}; they differ most, by ${by}, at ${say.at(f.gap.at)}`;
}

/** Where do two functions meet? */
export const meet: Kind<"meet"> = {
  sentence: (f, say) =>
    levelSentence(f, say, {
      goal: `${say.name} and ${say.other} meet`,
      holds: `${say.name} is at least ${say.other}`,
      gives: `gives ${say.name} at least ${say.other}`,
      isZero: true,
      everywhere:
        `${say.name} and ${say.other} are equal ${say.everywhere(f.searched)}: ` +
        `their greatest difference is ${say.out(f.gap?.size ?? 0)}`,
      never: never(f, say),
    }),

  parts: (q, words) => [
    { text: "Where do " },
    { text: words.named(q.functions[0] ?? "?"), slot: "functions.0" },
    { text: " and " },
    { text: words.named(q.functions[1] ?? "?"), slot: "functions.1" },
    { text: " meet" },
    ...words.range(),
    { text: "?" },
  ],
  place: (q, words) => `${list(q.functions.map((n) => words.named(n)))} meet`,
  slots: { "functions.0": inPlace(0), "functions.1": inPlace(1), range: range(), round: rounding() },
  isRounded: true,
  replaced: (q, by) => ({ ...q, ...rangeReplaced(q, by), functions: q.functions.map((n) => by.name(n)) }),
  identity: () => "meet",

  typed(line) {
    const sides = sidesOf(line);
    if (sides?.sign !== "=" || !sides.leftFunction || !sides.rightFunction) return null;
    return { id: line.id, ...line.narrowed, ask: "meet", functions: [sides.leftFunction, sides.rightFunction] };
  },
  starts: [],
  asks: "Where two functions meet",
  examples: ["{f} = {g} ?", "where do {f} and {g} meet?"],
  suggested: () => null,

  details: (f, card) => [...closer(f.solutions, card), ...neighbours(f.solutions, card)],
  surety: suretyOfPlaces,
  followed: followedInput,
  printsOpen: true,

  points: (f, canvas) =>
    pointsOf(f.solutions, canvas, (x) => (canvas.isMoney(canvas.drawn) ? `break-even ${x}` : `meet at ${x}`)),
  threshold: () => null,
  inputs: () => [],
  asksAt: () => null,
  sight: () => "meeting",
  countsInputs: true,
};
