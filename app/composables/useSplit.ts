import { familyValue } from "#core/fit";
import { meetingNear, stretchOf, type Owner } from "#core/data";
import type { RankedCard } from "#core/choice";

type Rows = { readonly x: readonly number[]; readonly y: readonly number[] };
/** The side of a break; what owns it is one of the two. */
export type Side = Owner;
export const SIDES: readonly Side[] = ["left", "right"];
/** A break that moves is worked out again when it rests this long, in ms. */
const REST = 120;

/**
 * Data split at one place: the rows of each side, their models best first, the model chosen for each, and how the two
 * meet.
 * @param suggested  where the rows seem to turn
 * @param variable   name of the inputs, for the formulas
 */
export function useSplit(
  rows: Readonly<Ref<Rows | null>>,
  suggested: Readonly<Ref<readonly number[]>>,
  variable: Readonly<Ref<string>>,
  givens: Readonly<Ref<readonly (readonly [string, number])[]>>,
) {
  const at = ref<number | null>(null);
  const owner = ref<Owner>("right");
  const cards = shallowRef<Record<Side, readonly RankedCard[]> | null>(null);
  const chosen = reactive({ left: "", right: "" });

  /** The rows of the stretches between some breaks. */
  function stretches(breaks: readonly number[], side: Owner): Rows[] {
    const r = rows.value;
    const places = breaks
      .map(() => 0)
      .concat(0)
      .map((_, k) => (r ? r.x.flatMap((x, i) => (stretchOf(x, breaks, side) === k ? [i] : [])) : []));
    return places.map((list) => ({ x: list.map((i) => r!.x[i]!), y: list.map((i) => r!.y[i]!) }));
  }
  const parts = computed(() =>
    rows.value && at.value !== null ? (stretches([at.value], owner.value) as [Rows, Rows]) : null,
  );

  const rank = useRowsRanked(variable, givens);
  async function rankSides(both: readonly [Rows, Rows]): Promise<void> {
    const left = await rank(both[0]);
    const right = left && both === parts.value ? await rank(both[1]) : null;
    if (!left || !right || both !== parts.value) return;
    cards.value = { left, right };
    for (const side of SIDES)
      if (!cardOf(side)) chosen[side] = cardKey(cards.value[side].find((c) => c.reason === null));
  }
  let timer: ReturnType<typeof setTimeout> | undefined;
  watch(parts, (both) => {
    clearTimeout(timer);
    if (both) timer = setTimeout(() => void rankSides(both), REST);
    else cards.value = null;
  });
  onScopeDispose(() => clearTimeout(timer));

  const cardOf = (side: Side): RankedCard | null =>
    cards.value?.[side].find((c) => cardKey(c) === chosen[side] && c.reason === null) ?? null;
  /** Splits where the rows seem to turn, else in the middle. */
  function begin(): void {
    const x = rows.value?.x ?? [];
    if (x.length === 0) return;
    const [lo, hi] = [x.reduce((m, v) => Math.min(m, v), Infinity), x.reduce((m, v) => Math.max(m, v), -Infinity)];
    at.value = suggested.value[0] ?? Number(((lo + hi) / 2).toPrecision(3));
  }
  const curves = useSideCurves(at, rows, cardOf);
  return { at, owner, cards, chosen, parts, stretches, rank, cardOf, begin, ...curves };
}

/** Models of some rows, best first; null when something newer was asked. */
function useRowsRanked(variable: Readonly<Ref<string>>, givens: Readonly<Ref<readonly (readonly [string, number])[]>>) {
  const worker = useDataWorker();
  return async (part: Rows): Promise<readonly RankedCard[] | null> => {
    if (part.x.length === 0) return [];
    const reply = await worker.ask<"rank">({
      kind: "rank",
      x: part.x,
      y: part.y,
      variable: variable.value,
      context: { notNegative: false, limit: null },
      own: null,
      givens: givens.value,
    });
    return reply?.cards ?? null;
  };
}

/** What the chosen models of both sides say at the break and beside it. */
function useSideCurves(
  at: Readonly<Ref<number | null>>,
  rows: Readonly<Ref<Rows | null>>,
  cardOf: (side: Side) => RankedCard | null,
) {
  const valueOf = (side: Side, x: number): number => {
    const c = cardOf(side);
    return c && c.family !== "own"
      ? familyValue(
          c.family,
          c.constants.map((k) => k.value),
          x,
        )
      : NaN;
  };
  const jump = computed(() =>
    at.value === null || !cardOf("left") || !cardOf("right")
      ? null
      : valueOf("right", at.value) - valueOf("left", at.value),
  );
  /** Where the two sides meet next to the break, so that they can be joined. */
  const meeting = computed(() =>
    at.value === null || jump.value === null || !rows.value
      ? null
      : meetingNear(
          at.value,
          rows.value.x,
          (x) => valueOf("left", x),
          (x) => valueOf("right", x),
        ),
  );

  /** The curve of a side for drawing, up to the break: x and y in turn. */
  function curveOf(side: Side): number[] {
    const c = cardOf(side);
    if (!c || at.value === null) return [];
    const points: number[] = [];
    for (let k = 0; k < c.curve.length; k += 2)
      if (side === "left" ? c.curve[k]! <= at.value : c.curve[k]! >= at.value)
        points.push(c.curve[k]!, c.curve[k + 1]!);
    const end = valueOf(side, at.value);
    if (!Number.isFinite(end)) return points;
    return side === "left" ? [...points, at.value, end] : [at.value, end, ...points];
  }
  return { valueOf, jump, meeting, curveOf };
}
