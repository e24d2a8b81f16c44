import { rankModels, suggestSplit, type Context, type RankedModel, type Split } from "../fit";
import { buildModel } from "../model";
import { splitCard, type SplitCard } from "./splitCard";
import { cardOf, type FittedRows, type RankedCard } from "./cards";

/** What is to be modelled: rows, what is known of them, and the givens that a formula of one's own may use. */
export interface ModelsAsked extends FittedRows {
  readonly context: Context;
  readonly givens: readonly (readonly [string, number])[];
}

/** The models of some rows, best first, and where the rows seem to turn. */
export function rankedCards(
  asked: ModelsAsked,
  progress: (done: number, all: number) => void,
): { readonly cards: RankedCard[]; readonly split: Split | null; readonly splitCard: SplitCard | null } {
  const { x, y, context } = asked;
  const ranked = rankModels(x, y, { context, own: ownOf(asked), progress });
  const split = suggestSplit(x, y, leastForItsConstants(ranked, x.length));
  return { cards: ranked.map((m) => cardOf(m, asked)), split, splitCard: splitCard(split, ranked, x, y) };
}

function ownOf({ own, variable, givens }: ModelsAsked) {
  if (!own) return undefined;
  const rows = givens.map(([name, value]) => ({ name, value }));
  const { givens: known } = buildModel({ format: "pasear-case", version: 1, title: "", givens: rows });
  return { text: own, names: { variable, givens: known, functions: new Map(), variables: new Set<string>() } };
}
/** The smooth model that a break has to beat: what it misses, and what its constants cost (Schwarz 1978). */
function leastForItsConstants(ranked: readonly RankedModel[], n: number) {
  const smooth = ranked.flatMap(({ fit }) => (fit ? [{ rss: fit.rss, constants: fit.constants.length }] : []));
  const weigh = (m: { rss: number; constants: number }) =>
    n * Math.log(Math.max(m.rss, TINY)) + m.constants * Math.log(n);
  return smooth.reduce<(typeof smooth)[number] | null>((best, m) => (best && weigh(best) <= weigh(m) ? best : m), null);
}
/** Keeps the logarithm of a model that misses nothing finite. */
const TINY = 1e-300;
