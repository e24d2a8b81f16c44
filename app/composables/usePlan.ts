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
  function show(told: Told | null): void {
    reading.value = shareParts(reading.value, told?.reading ?? null);
    picture.value = shareParts(picture.value, told?.picture ?? null);
    slice.value = shareParts(slice.value, told?.slice ?? null);
  }
  return { reading, picture, slice, show };
}

/**
 * The answer of a plan while it is written and varied: exact in a worker, the newest request first; by the compiled
 * solver where it is too large for that, and as the second way where it is not.
 */
export function usePlan(source: Ref<CaseFile>, pair: Ref<readonly [number, number] | null>) {
  const { show, ...shown } = usePlanShown();
  const answer = new PlanAnswer();
  const { secondWay, large, drop, ...compiled } = usePlanSolving(source, answer);
  const failure = ref<string | null>(null);
  let program: Program | null = null;
  let job = 0;
  const worker = new NewestFirst<PlanRequest, PlanReply>({
    open: () => new Worker(new URL("../workers/plan.worker.ts", import.meta.url), { type: "module" }),
    taken,
    broken: (message) => {
      failure.value = message;
    },
    patience: PATIENCE,
  });
  let calm: ReturnType<typeof setTimeout> | undefined;
  /** What is to be asked of the compiled solver, once the plan is still. */
  function onceCalm(ask: () => void, after = CALM): void {
    clearTimeout(calm);
    calm = setTimeout(ask, after);
  }

  function taken(told: PlanReply): void {
    if (!source.value.plan) return;
    failure.value = told.ok ? null : told.message;
    if (!told.ok) return;
    program = told.program;
    show(told);
    if (!told.reading.unsettled) takeExact(told);
    else if (!answer.isOf(told.source) || !answer.result.value?.compiled)
      onceCalm(() => void askLarge(told.source), answer.result.value ? CALM : 0);
  }
  function takeExact({ source: of, reading, program: written }: Told): void {
    if (!(pair.value && answer.result.value?.compiled)) compiled.solving.value = { state: "idle" };
    answer.take(of, reading.result);
    const { plan } = of;
    const { result } = reading;
    if (!worker.isWaiting() && result && plan?.objective && written)
      onceCalm(() => void secondWay(plan, written, result));
  }
  async function askLarge(asked: CaseFile): Promise<void> {
    if (program && (await large(asked, program)) && pair.value) request();
  }

  function request(): void {
    if (!source.value.plan) {
      show(null);
      answer.drop();
      return;
    }
    const at = (answer.result.value?.whole ?? answer.result.value?.best[0])?.at;
    worker.ask({
      job: ++job,
      source: toRaw(source.value),
      slice: pair.value && at ? { at: [...at], pair: [...pair.value] as [number, number] } : null,
    });
  }
  watch(
    [() => source.value.plan, () => source.value.givens, pair],
    ([plan, givens], before) => {
      if (before[0] !== undefined && (plan !== before[0] || givens !== before[1])) drop();
      request();
    },
    { immediate: true },
  );
  onScopeDispose(() => {
    clearTimeout(calm);
    worker.end();
  });

  const { result, plan: solved } = answer;
  const words = computed((): PlanWords | null =>
    solved.value && result.value ? planWords(solved.value, result.value) : null,
  );
  return { ...shown, ...compiled, result, solved, words, failure, currentProgram: (): Program | null => program };
}
