import type { CaseFile } from "#core/model";
import type { Desk } from "#core/desk";
import type { Picture, View } from "#core/graph";
import type { Slip } from "#core/slips";
import type { Analysed, AnalysisReply, AnalysisRequest, GhostAnswer } from "~/workers/protocol";
import { analysisWorker } from "./analysisWorker";
import { CalmProgress } from "./calmProgress";
import { CaseShown } from "./caseShown";
import { NewestFirst } from "./newestFirst";
import { shareParts } from "./share";

/**
 * A worker that has not answered for this long is ended when something newer waits, in ms: soon after what is typed or
 * undone; under a hand that drags or moves the graph, which always brings something newer, not before answers had
 * their time to come.
 */
const PATIENCE = { typed: 500, dragged: 4000 };

/** What is to be worked out, as it is now. */
export interface AnalysisSource {
  readonly of: Readonly<Ref<CaseFile | null>>;
  readonly view: Readonly<Ref<View>>;
  readonly ghost: Readonly<Ref<CaseFile | null>>;
  readonly isDragged: () => boolean;
  /** questions whose working is looked at */
  readonly worked: Readonly<Ref<"all" | readonly string[]>>;
}

/**
 * The answers to a case, worked out in a worker. The newest request wins: while one is under way, later ones replace
 * each other, and a reply that is out of date is dropped only when a newer one has already arrived.
 */
export class CaseAnalysis {
  readonly desk = shallowRef<Desk | null>(null);
  readonly picture = shallowRef<Picture | null>(null);
  readonly slips = shallowRef<readonly Slip[]>([]);
  readonly ghostAnswers = shallowRef<readonly GhostAnswer[]>([]);
  readonly took = ref(0);
  readonly working = ref(false);
  readonly stopped = ref(false);
  readonly failure = ref<string | null>(null);
  readonly shown: CaseShown;
  readonly progress = new CalmProgress();
  /** questions looked at longer, as long as the case stays as it is */
  private longer: readonly string[] = [];
  private lastAsked: CaseFile | null = null;
  private job = 0;
  private readonly worker: NewestFirst<AnalysisRequest, AnalysisReply>;

  constructor(private readonly source: AnalysisSource) {
    this.shown = new CaseShown(source.of, source.isDragged);
    this.worker = new NewestFirst({
      open: analysisWorker,
      taken: inStep(source.isDragged, (reply) => this.taken(reply)),
      broken: (message) => this.broken(message),
      patience: PATIENCE.dragged,
      onTheWay: (told) => this.onTheWay(told),
    });
  }

  /** Works the case out as it is now. */
  request(): void {
    const { of, view, ghost, isDragged, worked } = this.source;
    this.shown.asks(++this.job, this.worker.isOpen());
    if (!of.value) return;
    if (!this.working.value) this.progress.begin();
    this.working.value = true;
    this.stopped.value = false;
    const isChanged = of.value !== this.lastAsked;
    if (isChanged) this.longer = [];
    this.lastAsked = of.value;
    const asks: AnalysisRequest = {
      kind: "analysis",
      job: this.job,
      source: toRaw(of.value),
      view: plainView(view.value),
      ghost: ghost.value ? toRaw(ghost.value) : null,
      worked: worked.value === "all" ? "all" : [...worked.value],
      longer: this.longer,
    };
    this.worker.ask(asks, isChanged && !isDragged() ? PATIENCE.typed : PATIENCE.dragged);
  }
  /** Works the case out again, one question with more work than before. @param id  null: all as usual */
  lookLonger(id: string | null): void {
    if (id !== null) this.longer = [...this.longer, id];
    this.request();
  }
  /** Ends what is worked out; what is on the page stays. */
  stop(): void {
    this.worker.end();
    this.longer = [];
    this.progress.hush();
    this.working.value = false;
    this.stopped.value = true;
    this.shown.stop();
  }
  /** Works the case out whenever it changes, until the scope ends. */
  follow(): void {
    const { of, view, ghost, worked } = this.source;
    watch([of, view, ghost, worked], () => this.request(), { immediate: true });
    onScopeDispose(() => this.end());
  }
  /** Nothing is worked out any more, and nothing of this case stands on the next one's page. */
  private end(): void {
    this.stop();
    this.shown.end();
    this.desk.value = null;
    this.picture.value = null;
    this.slips.value = [];
    this.ghostAnswers.value = [];
    this.failure.value = null;
    this.stopped.value = false;
  }

  private onTheWay(told: AnalysisReply): boolean {
    if ("progress" in told) {
      this.progress.hear(told.progress);
      return true;
    }
    if (!told.ok || !told.isPart) return false;
    if (told.job === this.job && !this.source.isDragged()) this.put(told);
    return true;
  }
  private taken(reply: AnalysisReply): void {
    if ("progress" in reply) return;
    this.progress.hush();
    this.progress.begin();
    this.stopped.value = false;
    this.shown.answered(reply.job);
    if (reply.ok) this.put(reply);
    else this.failure.value = reply.message;
    this.working.value = this.worker.isWaiting();
  }
  private broken(message: string): void {
    this.failure.value = message;
    this.working.value = false;
    this.progress.hush();
  }
  private put(data: Analysed): void {
    this.desk.value = shareParts(this.desk.value, data.desk);
    this.slips.value = shareParts(this.slips.value, data.slips);
    this.ghostAnswers.value = shareParts(this.ghostAnswers.value, data.ghost);
    this.picture.value = data.picture;
    this.took.value = data.ms;
    this.failure.value = null;
  }
}

/** A copy without anything the page watches, so that it can be sent to a worker. */
const plainView = (view: View): View => ({ ...toRaw(view), ...(view.rows ? { rows: [...view.rows] } : {}) });

/** Takes the last of the replies that come between two frames, right after a frame, while a hand drags. */
function inStep<Reply>(isDragged: () => boolean, take: (reply: Reply) => void): (reply: Reply) => void {
  let pending: { readonly reply: Reply } | null = null;
  const takePending = () => {
    const last = pending;
    pending = null;
    if (last) take(last.reply);
  };
  return (reply) => {
    if (!isDragged()) {
      pending = null;
      take(reply);
      return;
    }
    const isFirst = pending === null;
    pending = { reply };
    if (isFirst) afterFrame(takePending);
  };
}
