import type { UnwrapNestedRefs } from "vue";
import type { Progress } from "#core/question";
import type { CaseFile } from "#core/model";
import type { Desk } from "#core/desk";
import type { Picture, View } from "#core/graph";
import type { Slip } from "#core/slips";
import type { Analysed, AnalysisReply, AnalysisRequest, GhostAnswer } from "~/workers/protocol";

/**
 * A worker that has not answered for this long is ended when something newer waits, in ms: soon after what is typed or
 * undone; under a hand that drags or moves the graph, which always brings something newer, not before answers had
 * their time to come.
 */
const PATIENCE = { typed: 500, dragged: 4000 };
/** What is dragged waits for its answers no longer than this; then the number follows the hand alone, in ms. */
const LATEST = 500;
/** Work that takes no longer than this is not talked about, in ms. */
const CALM = 400;

/**
 * Works a case out in a worker whenever it changes. The newest request wins: while one is under way, later ones replace
 * each other, and a reply that is out of date is dropped only when a newer one has already arrived.
 * `shown` is the case as the page should show it: while a given is dragged it is the case the answers belong to, and
 * both change in one frame.
 */
export function useAnalysis(
  source: Ref<CaseFile | null>,
  view: Ref<View>,
  ghost: Ref<CaseFile | null>,
  isDragged: () => boolean,
) {
  const desk = shallowRef<Desk | null>(null);
  const picture = shallowRef<Picture | null>(null);
  const slips = shallowRef<readonly Slip[]>([]);
  const ghostAnswers = shallowRef<readonly GhostAnswer[]>([]);
  const working = ref(false);
  const failure = ref<string | null>(null);
  const took = ref(0);
  const shown = shallowRef<CaseFile | null>(source.value);
  /** how far the case is worked out, told only of what takes long */
  const progress = shallowRef<Progress | null>(null);
  const stopped = ref(false);
  /** questions looked at longer, as long as the case stays as it is */
  let longer: readonly string[] = [];
  let startedAt = 0;
  let lastAsked: CaseFile | null = null;
  let late: ReturnType<typeof setTimeout> | undefined;
  let job = 0;
  let shownJob = 0;
  /** The cases that were asked about and are not answered yet. */
  const asked = new Map<number, CaseFile>();
  const worker = newestFirst<AnalysisRequest, AnalysisReply>(
    () => new Worker(new URL("../workers/analysis.worker.ts", import.meta.url), { type: "module" }),
    arrived,
    (message) => {
      failure.value = message;
      working.value = false;
      hush();
    },
    PATIENCE.dragged,
    (told) => {
      if ("progress" in told) {
        heard = told.progress;
        calm ??= setTimeout(tell, CALM - (performance.now() - startedAt));
        return true;
      }
      if (!told.ok || !told.isPart) return false;
      if (told.job === job && !isDragged()) put(told);
      return true;
    },
  );

  // ---- Progress is told once the work has taken a while, also when its first question takes all the time.
  let heard: Progress | null = null;
  let calm: ReturnType<typeof setTimeout> | undefined;
  function tell(): void {
    calm = undefined;
    if (working.value) progress.value = heard;
  }
  function hush(): void {
    clearTimeout(calm);
    calm = undefined;
    progress.value = null;
  }

  /** The last reply that came and is not on the page yet; while a hand drags, the page changes between two frames. */
  let pending: AnalysisReply | null = null;
  function arrived(data: AnalysisReply): void {
    if (!isDragged()) {
      pending = null;
      taken(data);
      return;
    }
    const isFirst = pending === null;
    pending = data;
    if (isFirst)
      afterFrame(() => {
        const last = pending;
        pending = null;
        if (last) taken(last);
      });
  }
  function taken(data: AnalysisReply): void {
    if ("progress" in data) return;
    hush();
    stopped.value = false;
    startedAt = performance.now();
    const answered = asked.get(data.job);
    for (const earlier of asked.keys()) if (earlier <= data.job) asked.delete(earlier);
    if (!isDragged()) show();
    // A case that was shown without waiting for its answers is not taken back.
    else if (answered && data.job >= shownJob) {
      clearTimeout(late);
      late = asked.size > 0 ? setTimeout(show, LATEST) : undefined;
      shown.value = answered;
      shownJob = data.job;
    }
    if (data.ok) put(data);
    else failure.value = data.message;
    working.value = worker.isWaiting();
  }
  function put(data: Analysed): void {
    desk.value = shareParts(desk.value, data.desk);
    slips.value = shareParts(slips.value, data.slips);
    ghostAnswers.value = shareParts(ghostAnswers.value, data.ghost);
    picture.value = data.picture;
    took.value = data.ms;
    failure.value = null;
  }
  function show(): void {
    clearTimeout(late);
    late = undefined;
    shown.value = source.value;
    shownJob = job;
  }
  function request(): void {
    job++;
    if (!isDragged() || !worker.isOpen()) show();
    else late ??= setTimeout(show, LATEST);
    if (!source.value) return;
    if (!working.value) startedAt = performance.now();
    working.value = true;
    stopped.value = false;
    asked.set(job, source.value);
    const asks: AnalysisRequest = {
      kind: "analysis",
      job,
      source: toRaw(source.value),
      view: plainView(view.value),
      ghost: ghost.value ? toRaw(ghost.value) : null,
      longer,
    };
    const isTyped = source.value !== lastAsked && !isDragged();
    lastAsked = source.value;
    worker.ask(asks, isTyped ? PATIENCE.typed : PATIENCE.dragged);
  }
  /** Ends what is worked out; what is on the page stays. */
  function stop(): void {
    worker.end();
    longer = [];
    asked.clear();
    hush();
    working.value = false;
    stopped.value = true;
    show();
  }
  /** Works the case out again, one question with more work than before. @param id  null: all as usual */
  function lookLonger(id: string | null): void {
    if (id !== null) longer = [...longer, id];
    request();
  }
  onMounted(() => {
    watch(
      [source, view, ghost],
      ([now], [before]) => {
        if (now !== before) longer = [];
        request();
      },
      { immediate: true },
    );
  });
  onScopeDispose(() => {
    clearTimeout(late);
    clearTimeout(calm);
    worker.end();
  });
  return { shown, desk, picture, slips, ghostAnswers, working, failure, took, progress, stopped, stop, lookLonger };
}
export type Analysis = UnwrapNestedRefs<ReturnType<typeof useAnalysis>>;

/** A copy without anything the page watches, so that it can be sent to a worker. */
const plainView = (view: View): View => ({ ...toRaw(view), ...(view.rows ? { rows: [...view.rows] } : {}) });
