import type { PlanPicture, PlanReading, Program, Slice } from "#core/plan";
import { planWords, type PlanWords } from "#core/explain";
import type { CaseFile } from "#core/model";
import type { PlanReply, PlanRequest } from "~/workers/planProtocol";
import { PlanAnswer } from "~/utils/planAnswer";

type Told = Extract<PlanReply, { readonly ok: true }>;

/** An exact answer that takes longer than this is ended when something newer waits, in ms. */
const PATIENCE = 4000;
/** The second way is asked when the plan has been still for this long, in ms. */
const CALM = 250;

/** What stands on the page of a plan, beside its answer; sentences, tables and region change together. */
function usePlanShown() {
  const reading = shallowRef<PlanReading | null>(null);
  const picture = shallowRef<PlanPicture | null>(null);
  const slice = shallowRef<Slice | null>(null);
  let program: Program | null = null;
  function show(told: Told | null): void {
    program = told?.program ?? null;
    reading.value = shareParts(reading.value, told?.reading ?? null);
    picture.value = shareParts(picture.value, told?.picture ?? null);
    slice.value = shareParts(slice.value, told?.slice ?? null);
  }
  return { reading, picture, slice, show, program: () => program };
}

/** What is to be asked of the compiled solver, once the plan is still; the last of it. */
function useOnceCalm(): (ask: () => void, after?: number) => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  onScopeDispose(() => clearTimeout(timer));
  return (ask, after = CALM) => {
    clearTimeout(timer);
    timer = setTimeout(ask, after);
  };
}
/** A slice through the best point, of two variables. */
function sliceOf({ result }: PlanAnswer, pair: readonly [number, number] | null): PlanRequest["slice"] {
  const at = (result.value?.whole ?? result.value?.best[0])?.at;
  return pair && at ? { at: [...at], pair: [...pair] as [number, number] } : null;
}

/**
 * The answer of a plan while it is written and varied: exact in a worker, the newest request first; by the compiled
 * solver where it is too large for that, and as the second way where it is not.
 */
export function usePlan(source: Ref<CaseFile>, pair: Ref<readonly [number, number] | null>) {
  const { show, program, ...shown } = usePlanShown();
  const answer = new PlanAnswer();
  const compiled = usePlanSolving(source, answer);
  const failure = ref<string | null>(null);
  let job = 0;
  const worker = new NewestFirst<PlanRequest, PlanReply>({
    open: () => new Worker(new URL("../workers/plan.worker.ts", import.meta.url), { type: "module" }),
    taken,
    broken: (message) => (failure.value = message),
    patience: PATIENCE,
  });
  const onceCalm = useOnceCalm();

  function taken(told: PlanReply): void {
    if (!source.value.plan) return;
    failure.value = told.ok ? null : told.message;
    if (!told.ok) return;
    show(told);
    if (!told.reading.unsettled) takeExact(told);
    else if (!answer.isOf(told.source) || !answer.result.value?.compiled)
      onceCalm(() => void askLarge(told.source), answer.result.value ? CALM : 0);
  }
  function takeExact({ source: of, reading, program: written }: Told): void {
    if (!(pair.value && answer.result.value?.compiled)) compiled.shown.solving.value = { state: "idle" };
    answer.take(of, reading.result);
    const [plan, result] = [of.plan, reading.result];
    if (!worker.isWaiting() && result && plan?.objective && written)
      onceCalm(() => void compiled.at.secondWay(plan, written, result));
  }
  async function askLarge(asked: CaseFile): Promise<void> {
    const written = program();
    if (written && (await compiled.at.large(asked, written)) && pair.value) request();
  }

  function request(): void {
    if (!source.value.plan) {
      show(null);
      answer.drop();
      return;
    }
    worker.ask({ job: ++job, source: toRaw(source.value), slice: sliceOf(answer, pair.value) });
  }
  watch(
    [() => source.value.plan, () => source.value.givens, pair],
    ([plan, givens], before) => {
      if (before[0] !== undefined && (plan !== before[0] || givens !== before[1])) compiled.at.drop();
      request();
    },
    { immediate: true },
  );
  onScopeDispose(() => worker.end());

  return { ...shown, ...compiled.shown, ...useWords(answer), failure, currentProgram: program };
}

/** The answer, the plan it belongs to, and what is said of it. */
function useWords({ result, plan: solved }: PlanAnswer) {
  const words = computed((): PlanWords | null =>
    solved.value && result.value ? planWords(solved.value, result.value) : null,
  );
  return { result, solved, words };
}
