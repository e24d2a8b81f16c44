import { analyse, sentenceOf } from "#core/question";
import { functionsOf, type CaseFile } from "#core/model";
import { planWords, shorter } from "#core/explain";
import { planPicture, solvePlan } from "#core/plan";
import { compileNumber, VARIABLE, call } from "#core/formula";
import { toDouble } from "#core/numeric";

/** What the shelf shows of a case: its leading finding as a sentence, and its curves in a unit square. */
export interface CaseSummary {
  says: string;
  curves: [number, number][][];
  /** all findings in words, to be searched */
  words: string;
}
/** Letters of the findings that are searched. */
const MOST_WORDS = 6000;

const POINTS = 41;

/** Works out the summary; a case that cannot be worked out yet has an empty one. */
export function summarise(document: CaseFile): CaseSummary {
  try {
    const { model, findings } = analyse(document);
    const first = findings.find((f) => f.status === "found");
    const functions = [...model.functions.values()].filter((f) => !f.trouble);
    if (document.plan && !first && functions.length === 0) return planSummary(document, model.names);
    // The curves of the first finding, and those that share its unit.
    const questions = document.questions ?? [];
    const asked = questions.find((q) => q.id === first?.id) ?? questions[0];
    const leading = functions.find((f) => asked && f.name === functionsOf(asked)[0]) ?? functions[functions.length - 1];
    const hidden = new Set((document.functions ?? []).filter((r) => r.shown === false).map((r) => r.name));
    const drawn = functions.filter(
      (f) => f.of === leading?.of && f.unit?.text === leading.unit?.text && (f === leading || !hidden.has(f.name)),
    );
    const variable = model.variables.get(drawn[0]?.of ?? "");
    const lo = variable?.from ? toDouble(variable.from) : 0;
    const hi = variable?.to ? toDouble(variable.to) : lo + 10;
    const raw = drawn.slice(0, 4).map((f) => {
      const value = compileNumber(call(f.name, 0, VARIABLE), model.table.number);
      return Array.from({ length: POINTS }, (_, i) => {
        const x = lo + ((hi - lo) * i) / (POINTS - 1);
        return [x, value(x)] as [number, number];
      }).filter(([, y]) => Number.isFinite(y));
    });
    const ys = raw.flat().map(([, y]) => y);
    const low = Math.min(...ys);
    const high = Math.max(...ys);
    const round = (v: number) => Math.round(v * 1000) / 1000;
    return {
      says: first ? shorter(sentenceOf(first, model)) : "",
      words: wordsOf(findings.map((f) => sentenceOf(f, model))),
      curves:
        hi > lo && high > low
          ? raw.map((c) => c.map(([x, y]) => [round((x - lo) / (hi - lo)), round((y - low) / (high - low))]))
          : [],
    };
  } catch {
    return { says: "", curves: [], words: "" };
  }
}

const wordsOf = (sentences: readonly string[]): string => sentences.join(" ").slice(0, MOST_WORDS);

/** A plan: its decision, and the outline of its region. */
function planSummary(document: CaseFile, names: Parameters<typeof solvePlan>[1]): CaseSummary {
  const plan = document.plan!;
  const { result, unsettled } = solvePlan(plan, names);
  if (unsettled)
    return {
      says: `A plan of ${plan.variables.length} variables and ${plan.constraints.length} constraints.`,
      curves: [],
      words: "",
    };
  if (!result) return { says: "", curves: [], words: "" };
  const picture = planPicture(plan, names, result);
  const outline =
    picture && picture.region.length > 2
      ? [...picture.region, picture.region[0]!].map(([x, y]): [number, number] => [
          Math.round(((x - picture.frame.x0) / (picture.frame.x1 - picture.frame.x0)) * 1000) / 1000,
          Math.round(((y - picture.frame.y0) / (picture.frame.y1 - picture.frame.y0)) * 1000) / 1000,
        ])
      : null;
  const { says } = planWords(plan, result);
  return { says: shorter(says), curves: outline ? [outline] : [], words: says };
}
