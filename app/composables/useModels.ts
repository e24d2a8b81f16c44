import type { UnwrapNestedRefs } from "vue";
import { freeConstants, type Context } from "#core/fit";
import type { Model } from "#core/data";
import type { ModelsAsked, RankedCard, SplitCard } from "#core/choice";
import type { Columns } from "./useColumns";

/** Models are ranked anew when columns, rows and context have been still for this long, in ms. */
const REST = 150;

/** What is known of the readings: they are never negative, they cannot pass a limit. */
function useFitContext(columns: Columns) {
  const notNegative = ref(true);
  const limit = ref("");
  const context = computed((): Context => {
    const typed = limit.value.replaceAll(",", "").trim();
    return {
      notNegative: notNegative.value,
      limit: typed !== "" && Number.isFinite(Number(typed)) ? Number(typed) : null,
    };
  });
  watch(
    () => columns.rows?.y.every((v) => v >= 0),
    (all) => {
      if (all !== undefined) notNegative.value = all;
    },
    { immediate: true },
  );
  return { notNegative, limit, context };
}

/** A formula of one's own with constants to fit. @param taken  called when there is one to be ranked with the others */
function useOwnFormula(
  columns: Columns,
  givens: Readonly<Ref<readonly (readonly [string, number])[]>>,
  taken: () => void,
) {
  const own = ref("");
  const ownProblem = ref<string | null>(null);
  function keepOwn(text: string): void {
    const names = {
      variable: columns.x,
      givens: new Map(givens.value.map(([n]) => [n, {} as never])),
      functions: new Map(),
      variables: new Set<string>(),
    };
    if (text.trim() && freeConstants(text, names).length === 0) {
      ownProblem.value = `The formula has no free constant to fit, as in a (1 - exp(-b ${columns.x})).`;
      return;
    }
    ownProblem.value = null;
    own.value = text;
    if (text.trim()) taken();
  }
  return { own, ownProblem, keepOwn };
}

/** The models of the chosen columns, ranked anew in a worker when what they hang on has been still for a moment. */
function useRanking(columns: Columns, asked: () => Omit<ModelsAsked, "x" | "y" | "variable">) {
  const worker = useDataWorker();
  const cards = shallowRef<readonly RankedCard[]>([]);
  /** where the rows seem to turn */
  const suggested = shallowRef<readonly number[]>([]);
  /** the rows in pieces, as one of the models */
  const splitCard = shallowRef<SplitCard | null>(null);
  const failure = ref<string | null>(null);
  function clear(): void {
    cards.value = [];
    suggested.value = [];
    splitCard.value = null;
  }
  async function rank(): Promise<void> {
    const { rows } = columns;
    if (!rows || rows.x.length === 0) return clear();
    failure.value = null;
    try {
      const reply = await worker.ask<"rank">({ kind: "rank", x: rows.x, y: rows.y, variable: columns.x, ...asked() });
      if (!reply) return;
      cards.value = reply.cards;
      suggested.value = reply.split?.breaks ?? [];
      splitCard.value = reply.splitCard;
    } catch (reason) {
      failure.value = reason instanceof Error ? reason.message : String(reason);
    }
  }
  let timer: ReturnType<typeof setTimeout> | undefined;
  // Models of other columns are not shown for these.
  watch([() => columns.index, () => columns.tables.length, () => columns.x, () => columns.y], clear);
  function rankSoon(): void {
    clearTimeout(timer);
    timer = setTimeout(() => void rank(), cards.value.length === 0 ? 0 : REST);
  }
  onScopeDispose(() => clearTimeout(timer));
  const { busy, progress, cancel } = worker;
  return { cards, suggested, splitCard, failure, rankSoon, busy, progress, cancel };
}

/** The models of the chosen columns, best first, and the one that is chosen. */
export function useModels(columns: Columns, givens: Readonly<Ref<readonly (readonly [string, number])[]>>) {
  const chosen = ref("");
  const pointed = ref<string | null>(null);
  const { notNegative, limit, context } = useFitContext(columns);
  const { own, ownProblem, keepOwn } = useOwnFormula(columns, givens, () => {
    chosen.value = "own direct";
  });
  const { rankSoon, ...ranking } = useRanking(columns, () => ({
    context: context.value,
    own: own.value.trim() || null,
    givens: givens.value,
  }));
  const { cards } = ranking;
  const card = computed(() => cards.value.find((c) => cardKey(c) === chosen.value && c.reason === null) ?? null);
  watch([() => columns.rows, context, own], rankSoon, { immediate: true });
  watch(cards, (now) => {
    if (now.length === 0) return;
    ownProblem.value = now.find((c) => c.family === "own")?.reason ?? null;
    if (!card.value) chosen.value = cardKey(now[0]);
  });

  /** A card as the case keeps it. */
  const modelOf = (c: RankedCard): Model => ({
    family: c.family,
    method: c.method,
    ...(c.family === "own" ? { text: own.value } : {}),
  });
  return { ...ranking, chosen, pointed, card, notNegative, limit, ownProblem, keepOwn, modelOf };
}
export type Models = UnwrapNestedRefs<ReturnType<typeof useModels>>;
