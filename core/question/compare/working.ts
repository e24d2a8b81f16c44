import { formatInput, formatNumber } from "../../explain";
import { latexName } from "../../formula";
import { equation, equationWorking, quantityLatex, toldSignOf, written, type WorkingStep } from "../../working";
import type { Asking } from "../common/asking";
import { applied, joined, preludeFor, settingOf, writtenBody } from "../common/working";
import type { CompareFinding } from "../finding";
import type { QuestionOf } from "../kind";

/** Functions that are set against each other in pairs; more would be no working. */
const MOST = 4;

/** Where each pair meets, and which is least between. */
export function working(asking: Asking<QuestionOf<"compare">>, f: CompareFinding | null): WorkingStep[] {
  const { functions } = asking;
  if (!f?.complete || functions.length > MOST || f.stretches.length === 0) return [];
  const on = settingOf(asking);
  const names = functions.map((one) => applied(one.name, on.x));
  const start = preludeFor(asking, "Each pair is set equal; between the places where two meet, one stays below.", {
    text: names.map((n) => n.text).join(", "),
    latex: names.map((n) => n.latex).join(",\\; "),
  });
  const pairs = functions.flatMap((_, i) => functions.slice(i + 1).map((__, k) => [i, i + 1 + k] as const));
  const steps = pairs.map(([i, k]) => {
    const asked = written(
      "names",
      `${functions[i]!.name} and ${functions[k]!.name}.`,
      joined(names[i]!, "=", names[k]!),
    );
    return equationWorking([asked], equation(writtenBody(asking, i), writtenBody(asking, k)), on);
  });
  if (steps.some((s) => s.length === 0)) return [];
  return [...start, ...steps.flat(), ...table(f, asking)];
}

function table(f: CompareFinding, { variable }: Asking): WorkingStep[] {
  return f.stretches.map((s) => {
    const [from, to] = [s.from, s.to].map((x) => (x === null ? null : formatInput(x, variable.unit, 6)));
    const isCut = (x: number | null) => x !== null && toldSignOf(formatNumber(x, 6), x) === "≈";
    const cut = isCut(s.from) || isCut(s.to) ? " (ends rounded)" : "";
    const least = s.least ?? "equal";
    const text = `${from ? `${from} ≤ ` : ""}${variable.name}${to ? ` ≤ ${to}` : ""}`;
    const [start, end] = [from ? `${quantityLatex(from)} \\le ` : "", to ? ` \\le ${quantityLatex(to)}` : ""];
    const says = s.least === null ? "Here the least are equal." : `Here ${s.least} is least.`;
    return written("least", `${says}${cut}`, {
      text: `${text}: ${least}`,
      latex: `${start}${latexName(variable.name)}${end}:\\; \\text{${least}}`,
    });
  });
}
