import { defineStore } from "pinia";
import { editGroup, editWords, edited, isDrag, type Edit } from "#core/edit";
import { same } from "#core/merge";
import { CaseKeeper } from "~/utils/caseKeeper";
import { HeldEdits, OpenTab } from "~/utils/held";
import { UndoSteps, type Travelled } from "~/utils/undoSteps";

/**
 * The open case: the document, its undo steps, and how it is kept. What the person typed is held in the browser until
 * the server has it.
 */
export const useCaseStore = defineStore("case", () => {
  const steps = new UndoSteps();
  const keeper = new CaseKeeper(new HeldEdits(localStorage, new OpenTab()), () => steps.clear());
  const { id, document, revision, keeping, arrived } = keeper;
  /** The last change was one of a drag: many follow, and what hangs on them may wait for its answer. */
  let dragged = false;

  /** Changes the document in one step, which undo calls by its words; quick changes of one group become one step. */
  function apply(edit: Edit, says = editWords(edit)): void {
    if (!document.value) return;
    const before = document.value;
    const next = edited(before, edit);
    if (same(next, before)) return;
    dragged = isDrag(edit);
    document.value = next;
    steps.add(says, before, next, editGroup(edit));
    keeper.touched();
  }
  const undo = () => travelled(document.value && steps.undo(document.value));
  const redo = () => travelled(document.value && steps.redo(document.value));
  function travelled(way: Travelled | null): Travelled | null {
    if (!way || way.clashes.length > 0) return way;
    dragged = false;
    document.value = way.document;
    keeper.touched();
    return way;
  }
  /** Where both versions changed the same part: keeps mine there, or takes theirs; a step that can be undone. */
  function choose(prefer: "mine" | "theirs"): void {
    const chosen = keeper.choose(prefer);
    if (!chosen || chosen.before === chosen.after) return;
    const says = prefer === "mine" ? "bring both versions together" : "take the other version";
    steps.add(says, chosen.before, chosen.after, null);
  }

  return {
    id,
    document,
    revision,
    keeping,
    arrived,
    undoSteps: steps.done,
    redoSteps: steps.undone,
    isAtRisk: () => keeper.isAtRisk(),
    isDragged: () => dragged,
    open: (caseId: string) => keeper.open(caseId),
    apply,
    undo,
    redo,
    flush: () => keeper.flush(),
    choose,
    lookAgain: () => keeper.lookAgain(),
    bringBack: () => keeper.bringBack(),
  };
});
