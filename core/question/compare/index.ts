import { formatQuantity } from "../../explain";
import { toldByStretches } from "../common/toldByStretches";
import { rangeReplaced } from "../common/replaced";
import { range } from "../common/slots";
import { MOST_TOLD, type Speech } from "../common/speech";
import type { CompareFinding, FindingStretch } from "../finding";
import type { Kind } from "../kind";

function sentence(f: CompareFinding, say: Speech): string {
  if (f.status === "unsettled") return "Not settled: which is least could not be proven.";
  if (f.status === "none") return f.message ?? "";
  const parts = f.stretches.map((s) => {
    const who = s.least ?? "several are equal";
    const isWhole = s.from === say.about.from && s.to === say.about.to && !isPoint(s);
    if (f.repeats) return `${who} ${isPoint(s) ? `at ${say.at(s.from!)}` : say.span(s.from!, s.to!)}`;
    return isWhole ? `${who} ${say.everywhere()}` : `${who} ${stretch(s, say)}`;
  });
  if (parts.length <= MOST_TOLD) return `Least: ${parts.join("; ")}.`;
  return `Least: ${[...parts.slice(0, 3), "…", parts.at(-1)].join("; ")}. ${parts.length} stretches in all.`;
}

const isPoint = (s: FindingStretch): boolean => s.from !== null && s.from === s.to;

/** "up to 40 km", "from 41 lanterns on" */
function stretch(s: FindingStretch, say: Speech): string {
  if (isPoint(s)) return `at ${say.at(s.from!)}`;
  const isFirst = s.from === say.about.from;
  if (s.first !== null && s.first > (s.from ?? -Infinity) && !isFirst)
    return `from ${formatQuantity(s.first, say.input)} on`;
  return isFirst ? `up to ${say.at(s.to ?? Infinity)}` : `from ${say.at(s.from ?? -Infinity)} on`;
}

/** Which of several functions is least, and from where on? */
export const compare: Kind<"compare"> = {
  sentence,

  parts: (q, words) => [
    { text: `Which of ${q.functions.map((n) => words.named(n)).join(", ")} is least` },
    ...words.range(),
    { text: "?" },
  ],
  place: () => null,
  slots: { range: range() },
  isRounded: false,
  replaced: (q, by) => ({ ...q, ...rangeReplaced(q, by), functions: q.functions.map((n) => by.name(n)) }),
  identity: () => "compare",

  typed(line) {
    const m = /^(?:compare|(?:which|least)\s+of)\s+(.+?)(?:\s+is\s+least)?$/i.exec(line.text);
    if (!m) return null;
    const names = m[1]!.split(/\s*(?:,|\b(?:and|or)\b)\s*/);
    return { id: line.id, ...line.narrowed, ask: "compare", functions: names.map((n) => line.functionName(n)) };
  },
  starts: [],
  asks: "Which function is least, and from where on",
  examples: ["compare {f}, {g} ?", "which is less, {f} or {g}?"],
  suggested: () => null,

  ...toldByStretches,

  points: (f, canvas) =>
    f.stretches.flatMap(({ from, least }, i) => {
      // Where one period begins, whoever is least at the end of the one before may simply go on.
      const goesOn = i === 0 && f.repeats !== null && least === f.stretches.at(-1)!.least;
      const y = from !== null && from !== f.about.from && !goesOn && least ? canvas.values(least)?.(from) : undefined;
      return y === undefined ? [] : [{ x: from!, y, function: least!, label: canvas.x(from!) }];
    }),
  threshold: () => null,
  inputs: () => [],
  asksAt: () => null,
  sight: () => null,
  countsInputs: false,
};
