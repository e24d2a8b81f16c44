import type { CaseFile } from "#core/model";
import { deskCoreAtHand } from "~/utils/deskCore";

export interface Step {
  readonly name: string;
  readonly before: CaseFile;
  readonly after: CaseFile;
  /** changes of one group that come quickly are one step */
  readonly group: string | null;
  /** in ms */
  readonly at: number;
}
/** What came of an undo: the case as it is then, or the parts that were changed elsewhere since and are in its way. */
export interface Travelled {
  readonly name: string;
  readonly document: CaseFile;
  readonly clashes: readonly string[];
}

/** Changes of one group in one place this close together are one step of undo, in ms. */
const ONE_STEP = 900;

/**
 * The steps that can be undone and done again, without limit. A step keeps the case before and after it (unchanged
 * parts are shared), so that it can be taken back also when other changes came in from elsewhere since.
 */
export class UndoSteps {
  readonly done = shallowRef<readonly Step[]>([]);
  readonly undone = shallowRef<readonly Step[]>([]);

  clear(): void {
    this.done.value = [];
    this.undone.value = [];
  }
  add(name: string, before: CaseFile, after: CaseFile, group: string | null): void {
    const now = Date.now();
    const last = this.done.value.at(-1);
    const goesOn = last !== undefined && group !== null && last.group === group && now - last.at < ONE_STEP;
    const step = { name, before: goesOn ? last.before : before, after, group, at: now };
    this.done.value = [...(goesOn ? this.done.value.slice(0, -1) : this.done.value), step];
    this.undone.value = [];
  }
  undo(present: CaseFile): Travelled | null {
    return travel(this.done, this.undone, present, ({ after, before }) => [after, before]);
  }
  redo(present: CaseFile): Travelled | null {
    return travel(this.undone, this.done, present, ({ after, before }) => [before, after]);
  }
}

/** Moves the last step of one list to the other, with its change made in the present case. */
function travel(
  from: Ref<readonly Step[]>,
  to: Ref<readonly Step[]>,
  present: CaseFile,
  way: (step: Step) => [start: CaseFile, end: CaseFile],
): Travelled | null {
  const step = from.value.at(-1);
  if (!step) return null;
  const [start, end] = way(step);
  const { merged, clashes } =
    present === start ? { merged: end, clashes: [] } : deskCoreAtHand().mergeCases(start, end, present, "theirs");
  if (clashes.length > 0) return { name: step.name, document: present, clashes };
  from.value = from.value.slice(0, -1);
  to.value = [...to.value, { ...step, group: null }];
  return { name: step.name, document: merged, clashes };
}
