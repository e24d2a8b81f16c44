import { isMoney } from "../../explain";
import { closer, neighbours } from "../common/card";
import { sidesOf } from "../common/line";
import { levelSentence, suretyOfPlaces } from "../common/levelWords";
import { followedInput } from "../common/followed";
import { pointsOf } from "../common/pointsOf";
import { functionReplaced } from "../common/replaced";
import { theAmount, range, rounding, theFunction } from "../common/slots";
import type { Kind } from "../kind";

/** Where has a function a value? */
export const reach: Kind<"reach"> = {
  sentence(f, say) {
    const level = say.out(f.level);
    // What jumps over the level is told as that.
    const instead = f.jumps.length > 0 ? "" : say.instead(f.behaviour);
    return levelSentence(f, say, {
      goal: `${say.name} is ${level}`,
      holds: `it is at least ${level}`,
      gives: `gives at least ${level}`,
      isZero: f.level === 0,
      everywhere: `${say.name} is ${level} ${say.everywhere(f.searched)}`,
      never: `${say.name} is never ${level} ${say.range(f.searched)}${instead}`,
    });
  },

  parts: (q, words) => [
    { text: "Where is " },
    words.function(),
    { text: " equal to " },
    words.value(q.value),
    ...words.range(),
    { text: "?" },
  ],
  place: (q, words) => `${words.function().text} is ${words.value(q.value).text}`,
  slots: {
    function: theFunction(),
    value: theAmount("value"),
    range: range(),
    round: rounding(),
  },
  isRounded: true,
  replaced: (q, by) => ({
    ...functionReplaced(q, by),
    value: by.amount(q.value),
  }),
  identity: (q) => `reach ${JSON.stringify(q.value)}`,

  typed(line) {
    const sides = sidesOf(line);
    if (sides?.sign !== "=" || (sides.leftFunction === null) === (sides.rightFunction === null)) return null;
    const { leftFunction, rightFunction, left, right } = sides;
    const value = line.amount(leftFunction ? right : left);
    return { id: line.id, ...line.narrowed, ask: "reach", function: (leftFunction ?? rightFunction)!, value };
  },
  starts: [],
  asks: "Where a function has a value",
  examples: ["{f} = 0 ?", "when does {f} reach 50?", "zeros of {f}"],
  suggested({ name, unit, values }, id) {
    const changesSign = values.some((y, k) => k > 0 && y * values[k - 1]! < 0);
    return changesSign && isMoney(unit) ? { id, ask: "reach", function: name, value: 0 } : null;
  },

  details: (f, card) => [...closer(f.solutions, card), ...neighbours(f.solutions, card)],
  surety: suretyOfPlaces,
  followed: followedInput,
  printsOpen: true,

  points: (f, canvas) => pointsOf(f.solutions, canvas, (x, y) => `${canvas.y(y, canvas.drawn)} at ${x}`),
  threshold: (f) => f.level,
  inputs: () => [],
  asksAt: () => null,
  sight: () => "threshold",
  countsInputs: true,
};
