import { quoted } from "../../formula";
import { sidesOf } from "../common/line";
import { toldByStretches } from "../common/toldByStretches";
import { functionReplaced } from "../common/replaced";
import { theAmount, choiceSlot, range, theFunction } from "../common/slots";
import type { Kind } from "../kind";
import { RELATIONS, sentence } from "./sentence";

const CHOICES = ([">=", ">", "<=", "<"] as const).map((value) => ({ value, text: RELATIONS[value] }));
/** The relation as it reads from the other side. */
const FLIPPED = { "<": ">", ">": "<", "<=": ">=", ">=": "<=" } as const;

/** Where is a function above, or below, a value? */
export const where: Kind<"where"> = {
  sentence,

  parts: (q, words) => [
    { text: "Where is " },
    words.function(),
    { text: " " },
    { text: RELATIONS[q.relation], slot: "relation" },
    { text: " " },
    words.value(q.value),
    ...words.range(),
    { text: "?" },
  ],
  place: (q, words) => `${words.function().text} is ${RELATIONS[q.relation]} ${words.value(q.value).text}`,
  slots: {
    function: theFunction(),
    relation: choiceSlot(
      CHOICES,
      (q) => q.relation,
      (q, relation) => ({ ...q, relation }),
    ),
    value: theAmount("value"),
    range: range(),
  },
  isRounded: false,
  replaced: (q, by) => ({
    ...functionReplaced(q, by),
    value: by.amount(q.value),
  }),
  identity: () => "where",

  typed(line) {
    const sides = sidesOf(line);
    if (!sides || sides.sign === "=" || !(sides.leftFunction ?? sides.rightFunction)) return null;
    const { leftFunction, rightFunction, left, right, sign } = sides;
    if (leftFunction && rightFunction)
      return line.fail(
        `To see where ${leftFunction} is ${sign.startsWith("<") ? "below" : "above"} ` +
          `${rightFunction}, name the difference first, as in ` +
          `${quoted(`D(${line.variableOf(leftFunction)}) = ${leftFunction} - ${rightFunction}`)}, and ask ` +
          `${quoted(`D ${sign} 0 ?`)}; or ask ${quoted(`compare ${leftFunction}, ${rightFunction} ?`)}.`,
      );
    const relation = leftFunction ? sign : FLIPPED[sign];
    const value = line.amount(leftFunction ? right : left);
    return { id: line.id, ...line.narrowed, ask: "where", function: (leftFunction ?? rightFunction)!, relation, value };
  },
  starts: [],
  asks: "Where a function is above or below a value",
  examples: ["{f} >= 20 ?", "{f} between 10 and 20 ?"],
  suggested: () => null,

  ...toldByStretches,

  points(f, canvas) {
    const values = canvas.values(canvas.drawn);
    return f.stretches.flatMap((s) =>
      [s.from, s.to].flatMap((x) => {
        const y = x === null || x === f.about.from || x === f.about.to ? NaN : (values?.(x) ?? NaN);
        return x !== null && Number.isFinite(y) ? [{ x, y, function: canvas.drawn, label: canvas.x(x) }] : [];
      }),
    );
  },
  threshold: (f) => f.level,
  inputs: () => [],
  asksAt: () => null,
  sight: () => "threshold",
  countsInputs: false,
};
