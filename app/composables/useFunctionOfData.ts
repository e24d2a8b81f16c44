import type { UnwrapNestedRefs } from "vue";
import { nameTrouble, offeredName, rowRange, unusedColumn, type Model } from "#core/data";
import type { Edit } from "#core/edit";
import type { CaseFile } from "#core/model";
import type { Columns } from "./useColumns";
import type { Models } from "./useModels";
import type { Side, useSplit } from "./useSplit";

/** The name a function gets: one that fits the column, until another is typed. */
function useFunctionName(source: Readonly<Ref<CaseFile>>, columns: Columns) {
  const typed = ref("");
  watch(
    [() => columns.y, () => columns.x, () => source.value.functions],
    () => {
      typed.value = offeredName(columns.y, columns.x, source.value);
    },
    { immediate: true },
  );
  const name = computed(() => typed.value.trim());
  const problem = computed(() => nameTrouble(name.value, source.value));
  return { typed, name, problem };
}

/** Puts what was made into the case, and goes to the desk, or on to another column. */
function useKeeping(columns: Columns, split: ReturnType<typeof useSplit>, used: (name: string) => void) {
  const store = useCaseStore();
  const toast = useToast();
  function keep(edit: Edit & { name: string }, said: string, goesOn: string | null = null): void {
    store.apply(edit);
    toast.add({ severity: "info", summary: `${edit.name}(${columns.x}) stands on the desk${said}.`, life: 3500 });
    split.at.value = null;
    if (goesOn) columns.y = goesOn;
    else used(edit.name);
  }
  const warn = (summary: string) => toast.add({ severity: "warn", summary, life: 4000 });
  return { keep, warn };
}

/** A model, one side of a break, or several pieces put on the desk as a function, in one step, with all digits. */
export function useFunctionOfData(
  source: Readonly<Ref<CaseFile>>,
  columns: Columns,
  models: Models,
  split: ReturnType<typeof useSplit>,
  used: (name: string) => void,
) {
  const { keep, warn } = useKeeping(columns, split, used);
  const { typed, name, problem } = useFunctionName(source, columns);

  function keepPieces(pieces: readonly Model[], breaks: readonly number[], owner: Side, said: string): void {
    const { from } = columns;
    if (from)
      keep({ kind: "usePieces", from, models: [...pieces], breaks: [...breaks], owner, name: name.value }, said);
  }

  /** @param goesOn  the column that is shown then, instead of the desk */
  function useModel(goesOn: string | null = null): void {
    const { from } = columns;
    if (!models.card || !from || problem.value) return;
    const edit = { kind: "useModel", from, model: models.modelOf(models.card), name: name.value } as const;
    keep(edit, " with all its digits", goesOn);
  }
  function useBoth(): void {
    const [left, right, at] = [split.cardOf("left"), split.cardOf("right"), split.at.value];
    if (!left || !right || at === null || problem.value) return;
    keepPieces([models.modelOf(left), models.modelOf(right)], [at], split.owner.value, " in two pieces");
  }
  /** One side alone as a function: the early growth, the part after a change. */
  function useSide(side: Side): void {
    const [card, parts, from] = [split.cardOf(side), split.parts.value, columns.from];
    if (!card || !parts || !from || problem.value) return;
    const rows = rowRange(parts[side === "left" ? 0 : 1].x, side === "right", side === "left");
    const model = models.modelOf(card);
    keep({ kind: "useModel", from, model, name: name.value, rows, side }, `, from the rows ${side} of the break`);
  }
  /** Two breaks at once: three stretches, each with the model that misses least on rows it did not see. */
  async function useThree(): Promise<void> {
    const breaks = [...models.suggested];
    if (problem.value) return;
    const best = [];
    for (const part of split.stretches(breaks, "right"))
      best.push((await split.rank(part))?.find((c) => c.reason === null) ?? null);
    const unfitted = best.indexOf(null);
    if (unfitted < 0)
      keepPieces(
        best.map((c) => models.modelOf(c!)),
        breaks,
        "right",
        " in three pieces",
      );
    else warn(`The rows of piece ${unfitted + 1} cannot be fitted.`);
  }
  /** a column that nothing is read off yet, beside the one that is shown */
  const next = computed(() => columns.from && unusedColumn(columns.from, source.value));
  return { typed, problem, next, useModel, useBoth, useSide, useThree };
}
export type FunctionOfData = UnwrapNestedRefs<ReturnType<typeof useFunctionOfData>>;
