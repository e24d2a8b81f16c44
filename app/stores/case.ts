import { defineStore } from "pinia";
import type { CaseFile } from "#core/model";
import { editGroup, editWords, edited, isDrag, type Edit } from "#core/edit";
import { keptCaseSchema } from "#shared/schemas/wire";
import { differingParts, mergeCases, same } from "#core/merge";
import { RequestFailure, caseApi, statusOf, type KeptCase as Kept } from "~/utils/caseApi";
import type { Keeping } from "~/utils/keeping";
import { HeldEdits, OpenTab } from "~/utils/held";
import { OtherTabs } from "~/utils/otherTabs";
import { UndoSteps, type Travelled } from "~/utils/undoSteps";

/** Changes are sent this long after the last one, in ms. */
const SEND_AFTER = 500;
/** How often a server that is away is tried again, in ms. */
const RETRY_AFTER = 2000;

/**
 * The open case: the document, its undo steps, and how it is kept. What the person typed is held in the browser until
 * the server has it.
 */
export const useCaseStore = defineStore("case", () => {
  const id = ref<string | null>(null);
  const document = shallowRef<CaseFile | null>(null);
  const revision = ref(0);
  const keeping = shallowRef<Keeping>({ state: "kept", at: null });
  const steps = new UndoSteps();
  /** what came in from elsewhere last, part by part */
  const arrived = shallowRef<readonly string[]>([]);
  /** the case as the server had it when the changes made here began; null: not known */
  let base: CaseFile | null = null;
  /** The last change was one of a drag: many follow, and what hangs on them may wait for its answer. */
  let dragged = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let sending: Promise<void> | null = null;
  let dirty = false;

  const edits = new HeldEdits(localStorage, new OpenTab());
  /** what is not kept yet is held in the browser too */
  let isHeld = true;
  function hold(): void {
    if (!id.value || !document.value) return;
    isHeld = edits.hold(id.value, { document: document.value, revision: revision.value, at: Date.now(), base });
  }
  function release(): void {
    if (id.value) edits.release(id.value);
    isHeld = true;
  }
  /** Leaving the page now would lose what was typed. */
  const isAtRisk = (): boolean => dirty && !isHeld;

  function show(kept: Kept): void {
    id.value = kept.id;
    document.value = kept.case;
    steps.clear();
    isKept(kept);
  }
  function isKept({ revision: now, case: theirs, updatedAt }: Kept): void {
    revision.value = now;
    base = theirs;
    dirty = false;
    keeping.value = { state: "kept", at: updatedAt };
  }

  /**
   * Opens a case; edits that were held while the server was away are put back and sent, or both versions are offered.
   */
  async function open(caseId: string): Promise<void> {
    clearTimeout(timer);
    let kept: Kept;
    let keptAt: number | null;
    const mine = await edits.take(caseId);
    try {
      ({ of: kept, keptAt } = await caseApi.read(caseId));
    } catch (failure) {
      if (mine && !statusOf(failure)) {
        show({
          id: caseId,
          title: mine.document.title,
          revision: mine.revision,
          updatedAt: mine.at,
          case: mine.document,
        });
        base = mine.base;
        dirty = true;
        away(null);
        return;
      }
      throw failure;
    }
    show(kept);
    if (!mine || same(mine.document, kept.case)) {
      release();
      if (keptAt !== null) away(null);
      return;
    }
    document.value = mine.document;
    dirty = true;
    if (mine.revision === kept.revision) schedule(0);
    else {
      revision.value = mine.revision;
      base = mine.base;
      join(kept);
    }
  }

  /** Takes in what was changed elsewhere; where both changed the same part, the person is asked. */
  function join(theirs: Kept): void {
    const mine = document.value!;
    const { merged, clashes } = base
      ? mergeCases(base, mine, theirs.case)
      : { merged: mine, clashes: differingParts(mine, theirs.case) };
    if (clashes.length > 0) {
      keeping.value = { state: "stale", theirs, clashes };
      return;
    }
    const parts = differingParts(mine, merged);
    if (parts.length > 0) arrived.value = parts;
    settleOn(merged, theirs);
  }
  /** Goes on from their version with this document, which is sent where it says more than theirs. */
  function settleOn(merged: CaseFile, theirs: Kept): void {
    document.value = shareParts(document.value, merged);
    isKept(theirs);
    if (same(theirs.case, merged)) {
      release();
      return;
    }
    dirty = true;
    hold();
    keeping.value = { state: "waiting" };
    schedule(0);
  }
  const otherTabs = new OtherTabs(hear);
  /** Another tab kept this case, or it was looked up anew; what is on its way has its answer first. */
  function hear(theirs: Kept): void {
    if (sending) void sending.then(() => hear(theirs));
    else if (theirs.id === id.value && theirs.revision > revision.value && keeping.value.state !== "gone") join(theirs);
  }
  /** Looks whether the case was changed elsewhere; when somebody comes back to the page. */
  async function lookAgain(): Promise<void> {
    const caseId = id.value;
    const { state } = keeping.value;
    if (!caseId || (state !== "kept" && state !== "away")) return;
    try {
      const { of: theirs, keptAt } = await caseApi.read(caseId);
      if (id.value !== caseId || dirty) return;
      if (keptAt !== null) away(null);
      else if (theirs.revision > revision.value) join(theirs);
      else keeping.value = { state: "kept", at: theirs.updatedAt };
    } catch (failure) {
      if (id.value !== caseId) return;
      if (statusOf(failure) === 404) keeping.value = { state: "gone" };
      else if (state === "away") away(null);
    }
  }

  /** Changes the document in one step, which undo calls by its words; quick changes of one group become one step. */
  function apply(edit: Edit, says = editWords(edit)): void {
    if (!document.value) return;
    const before = document.value;
    const next = edited(before, edit);
    if (same(next, before)) return;
    dragged = isDrag(edit);
    document.value = next;
    steps.add(says, before, next, editGroup(edit));
    touched();
  }
  const undo = () => travelled(document.value && steps.undo(document.value));
  const redo = () => travelled(document.value && steps.redo(document.value));
  function travelled(way: Travelled | null): Travelled | null {
    if (!way || way.clashes.length > 0) return way;
    dragged = false;
    document.value = way.document;
    touched();
    return way;
  }

  function touched(): void {
    dirty = true;
    hold();
    if (keeping.value.state === "stale" || keeping.value.state === "gone") return;
    if (keeping.value.state !== "away") keeping.value = { state: "waiting" };
    schedule(SEND_AFTER);
  }
  function schedule(after: number): void {
    clearTimeout(timer);
    timer = setTimeout(() => void (dirty ? send() : lookAgain()), after);
  }
  function away(why: string | null): void {
    const since = keeping.value.state === "away" ? keeping.value.since : Date.now();
    keeping.value = { state: "away", since, why, isHeld };
    schedule(RETRY_AFTER);
  }

  async function send(): Promise<void> {
    if (sending) {
      await sending;
      if (dirty && keeping.value.state !== "stale") schedule(0);
      return;
    }
    if (!dirty || !id.value || !document.value) return;
    sending = put(id.value, document.value).finally(() => {
      sending = null;
    });
    await sending;
  }
  async function put(caseId: string, sent: CaseFile): Promise<void> {
    if (keeping.value.state !== "away") keeping.value = { state: "sending" };
    try {
      const answer = await caseApi.write(caseId, revision.value, sent);
      if (id.value !== caseId) return;
      const kept = { ...answer, case: sent };
      otherTabs.tell(kept);
      const isAll = document.value === sent;
      isKept(kept);
      if (isAll) release();
      else {
        dirty = true;
        hold();
        keeping.value = { state: "waiting" };
        schedule(SEND_AFTER);
      }
    } catch (failure) {
      if (id.value !== caseId) return;
      const status = statusOf(failure);
      const theirs = failure instanceof RequestFailure ? keptCaseSchema.safeParse(failure.data).data : undefined;
      if (status === 409 && theirs) join(theirs);
      else if (status === 404) keeping.value = { state: "gone" };
      else if (status && status < 500) keeping.value = { state: "refused", message: (failure as Error).message };
      else away(status ? (failure as Error).message : null);
    }
  }
  /** Sends what is not sent yet, at once; when the page is hidden or left. */
  function flush(): void {
    clearTimeout(timer);
    if (!dirty || !id.value || !document.value || keeping.value.state === "stale" || keeping.value.state === "gone")
      return;
    void send();
  }

  /** Where both versions changed the same part: keeps mine there, or takes theirs; what only one changed stays. */
  function choose(prefer: "mine" | "theirs"): void {
    if (keeping.value.state !== "stale" || !document.value) return;
    const { theirs } = keeping.value;
    const before = document.value;
    const whole = prefer === "mine" ? before : theirs.case;
    settleOn(base ? mergeCases(base, before, theirs.case, prefer).merged : whole, theirs);
    const name = prefer === "mine" ? "bring both versions together" : "take the other version";
    if (document.value !== before) steps.add(name, before, document.value, null);
  }
  /** The case was deleted elsewhere: brings it back with what is on the screen. */
  async function bringBack(): Promise<void> {
    if (keeping.value.state !== "gone" || !id.value) return;
    try {
      const kept = await caseApi.restore(id.value);
      revision.value = kept.revision;
      keeping.value = { state: "waiting" };
      dirty = true;
      schedule(0);
    } catch {
      /* it stays gone; the page still says so */
    }
  }

  return {
    isAtRisk,
    isDragged: () => dragged,
    id,
    document,
    revision,
    keeping,
    arrived,
    undoSteps: steps.done,
    redoSteps: steps.undone,
    open,
    apply,
    undo,
    redo,
    flush,
    choose,
    lookAgain,
    bringBack,
  };
});
