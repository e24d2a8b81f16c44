import { useIntersectionObserver, watchDebounced } from "@vueuse/core";
import type { Desk, DeskFinding } from "#core/desk";
import type { Question } from "#core/model";
import type { Slip } from "#core/slips";

/** A hand that has moved nothing for this long rests, in ms. */
const REST = 150;
const NONE: readonly Slip[] = [];

/** A question with what was found, and what looks like a slip in it. */
export interface FindingRow {
  readonly q: Question;
  readonly card: DeskFinding | null;
  /** the question in words, as long as there is no answer */
  readonly waiting: DeskFinding["question"] | null;
  readonly slips: readonly Slip[];
}

/**
 * The rows of the list of findings. While a hand drags, the cards nobody can see wait until it rests; those in sight
 * change in every frame.
 */
export function useFindingRows(
  questions: Readonly<Ref<readonly Question[]>>,
  desk: () => Desk | null,
  slips: () => readonly Slip[],
  elements: () => HTMLElement[],
) {
  const store = useCaseStore();
  const slipsBy = computed(() => new Map(slips().map((s) => [s.key, slips().filter((r) => r.key === s.key)])));
  const rowOf = (q: Question): FindingRow => ({
    q,
    card: desk()?.findings.find((f) => f.id === q.id) ?? null,
    waiting: desk()?.waiting.find((f) => f.id === q.id)?.question ?? null,
    slips: slipsBy.value.get(`question:${q.id}`) ?? NONE,
  });
  const outOfSight = useOutOfSight(elements);
  /** Counts how often a dragging hand came to rest. */
  const rests = ref(0);
  watchDebounced(
    desk,
    () => {
      if (store.isDragged()) rests.value++;
    },
    { debounce: REST },
  );
  let restsSeen = 0;
  return computed((before: FindingRow[] | undefined) => {
    const waits = before !== undefined && store.isDragged() && rests.value === restsSeen;
    restsSeen = rests.value;
    return questions.value.map(
      (q) => (waits && outOfSight.has(q.id) ? before.find((r) => r.q.id === q.id) : undefined) ?? rowOf(q),
    );
  });
}

/** The ids of the elements that cannot be seen. */
function useOutOfSight(elements: () => HTMLElement[]): ReadonlySet<string> {
  const outOfSight = new Set<string>();
  useIntersectionObserver(
    elements,
    (entries) => {
      for (const { target, isIntersecting } of entries) {
        const id = (target as HTMLElement).dataset.id!;
        if (isIntersecting) outOfSight.delete(id);
        else outOfSight.add(id);
      }
    },
    { rootMargin: "60px" },
  );
  return outOfSight;
}
