import { defineStore } from "pinia";
import { produceWithPatches, applyPatches, enablePatches, type Patch } from "immer";
import type { CaseFile } from "#core/model";
import { RequestFailure, caseApi, type KeptCase as Kept } from "~/utils/caseApi";
import { HeldEdits, OpenTab } from "~/utils/held";

enablePatches();

interface Step {
  readonly name: string;
  readonly patches: Patch[];
  readonly inverse: Patch[];
  readonly group: string | null;
  readonly at: number;
}

export type Keeping =
  | { readonly state: "kept"; readonly at: number | null }
  | { readonly state: "waiting" | "sending" }
  /** not kept, and tried again: the server does not answer, or says why it cannot */
  | { readonly state: "away"; readonly since: number; readonly why: string | null; readonly isHeld: boolean }
  | { readonly state: "stale"; readonly theirs: Kept }
  | { readonly state: "gone" }
  | { readonly state: "refused"; readonly message: string };

/** Changes are sent this long after the last one, in ms. */
const SEND_AFTER = 500;
/** How often a server that is away is tried again, in ms. */
const RETRY_AFTER = 2000;
/** Changes of one kind in one place this close together are one step of undo, in ms. */
const ONE_STEP = 900;

/** Groups of changes that come from a hand on a track or a line. */
const DRAGS = /^(vary|threshold):/;

/**
 * The open case: the document, its undo steps, and how it is kept. What the person typed is held in the browser until
 * the server has it.
 */
export const useCaseStore = defineStore("case", () => {
  const id = ref<string | null>(null);
  const document = shallowRef<CaseFile | null>(null);
  const revision = ref(0);
  const keeping = shallowRef<Keeping>({ state: "kept", at: null });
  const undoSteps = shallowRef<readonly Step[]>([]);
  const redoSteps = shallowRef<readonly Step[]>([]);
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
    isHeld = edits.hold(id.value, { document: document.value, revision: revision.value, at: Date.now() });
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
    revision.value = kept.revision;
    keeping.value = { state: "kept", at: kept.updatedAt };
    undoSteps.value = [];
    redoSteps.value = [];
    dirty = false;
  }

  /**
   * Opens a case; edits that were held while the server was away are put back and sent, or both versions are offered.
   */
  async function open(caseId: string): Promise<void> {
    clearTimeout(timer);
    let kept: Kept;
    const mine = await edits.take(caseId);
    try {
      kept = await caseApi.get(caseId);
    } catch (failure) {
      if (mine && !statusOf(failure)) {
        show({
          id: caseId,
          title: mine.document.title,
          revision: mine.revision,
          updatedAt: mine.at,
          case: mine.document,
        });
        dirty = true;
        away(null);
        return;
      }
      throw failure;
    }
    show(kept);
    if (!mine || JSON.stringify(mine.document) === JSON.stringify(kept.case)) {
      release();
      return;
    }
    document.value = mine.document;
    dirty = true;
    if (mine.revision === kept.revision) schedule(0);
    else {
      revision.value = mine.revision;
      keeping.value = { state: "stale", theirs: kept };
    }
  }

  /** Changes the document in one named step; quick changes of the same group become one step. */
  function change(name: string, recipe: (draft: CaseFile) => void, group: string | null = null): void {
    if (!document.value) return;
    const [next, patches, inverse] = produceWithPatches(document.value, recipe);
    if (patches.length === 0) return;
    dragged = group !== null && DRAGS.test(group);
    document.value = next;
    const last = undoSteps.value[undoSteps.value.length - 1];
    if (last && group && last.group === group && Date.now() - last.at < ONE_STEP) {
      undoSteps.value = [
        ...undoSteps.value.slice(0, -1),
        { name, patches: [...last.patches, ...patches], inverse: [...inverse, ...last.inverse], group, at: Date.now() },
      ];
    } else undoSteps.value = [...undoSteps.value, { name, patches, inverse, group, at: Date.now() }];
    redoSteps.value = [];
    touched();
  }
  function replace(name: string, next: CaseFile): void {
    change(name, (draft) => {
      for (const key of Object.keys(draft) as (keyof CaseFile)[])
        if (!(key in next)) Reflect.deleteProperty(draft, key);
      for (const key of Object.keys(next) as (keyof CaseFile)[])
        if (draft[key] !== next[key]) Object.assign(draft, { [key]: next[key] });
    });
  }
  function undo(): string | null {
    return travel(undoSteps, redoSteps, "inverse");
  }
  function redo(): string | null {
    return travel(redoSteps, undoSteps, "patches");
  }
  function travel(from: Ref<readonly Step[]>, to: Ref<readonly Step[]>, way: "patches" | "inverse"): string | null {
    const step = from.value[from.value.length - 1];
    if (!step || !document.value) return null;
    dragged = false;
    document.value = applyPatches(document.value, step[way]);
    from.value = from.value.slice(0, -1);
    to.value = [...to.value, { ...step, group: null }];
    touched();
    return step.name;
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
    timer = setTimeout(() => void send(), after);
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
      revision.value = answer.revision;
      if (document.value === sent) {
        dirty = false;
        release();
        keeping.value = { state: "kept", at: answer.updatedAt };
      } else {
        hold();
        keeping.value = { state: "waiting" };
        schedule(SEND_AFTER);
      }
    } catch (failure) {
      if (id.value !== caseId) return;
      const status = statusOf(failure);
      if (status === 409 && failure instanceof RequestFailure && failure.data) {
        const theirs = failure.data as Kept;
        // The same change kept from another window is no conflict.
        if (JSON.stringify(theirs.case) === JSON.stringify(sent) && document.value === sent) {
          revision.value = theirs.revision;
          dirty = false;
          release();
          keeping.value = { state: "kept", at: theirs.updatedAt };
        } else keeping.value = { state: "stale", theirs };
      } else if (status === 404) keeping.value = { state: "gone" };
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

  /** After a stale write: keep mine over theirs, or take theirs. */
  function keepMine(): void {
    if (keeping.value.state !== "stale") return;
    revision.value = keeping.value.theirs.revision;
    keeping.value = { state: "waiting" };
    dirty = true;
    schedule(0);
  }
  function takeTheirs(): void {
    if (keeping.value.state !== "stale") return;
    const { theirs } = keeping.value;
    release();
    show(theirs);
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
    undoSteps,
    redoSteps,
    open,
    change,
    replace,
    undo,
    redo,
    flush,
    keepMine,
    takeTheirs,
    bringBack,
  };
});

/** The HTTP status of a failed request; undefined when no answer came. */
function statusOf(failure: unknown): number | undefined {
  if (!(failure instanceof RequestFailure)) throw failure;
  return failure.status;
}
