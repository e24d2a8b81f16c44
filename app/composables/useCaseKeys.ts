import { CASE_VIEWS, type CaseViewId } from "~/utils/caseViews";
import { isWriting } from "~/utils/writing";

/** What the keys of a case do. */
export interface CaseKeyActions {
  /** whether keys belong to a dialog just now */
  readonly isHeld: () => boolean;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly goView: (id: CaseViewId) => void;
  readonly write: () => void;
  /** @returns whether there was something to follow, or to make large */
  readonly trail: () => boolean;
  readonly large: () => boolean;
  /** @returns whether the story offered something */
  readonly accept: () => boolean;
  readonly help: () => void;
  readonly unpoint: () => void;
}

/** Parts of the desk by the key that goes to them. */
const TITLES: Readonly<Record<string, string>> = {
  s: "story-title",
  g: "givens-title",
  f: "functions-title",
  n: "findings-title",
};
/** The keys that work anywhere in a case, outside of what is being written in. */
export function useCaseKeys(actions: CaseKeyActions): void {
  function key(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    const writes = isWriting(target);
    if (isUndo(event)) {
      if (writes && hasText(target)) return;
      event.preventDefault();
      if (event.shiftKey) actions.redo();
      else actions.undo();
      return;
    }
    if (writes || event.ctrlKey || event.metaKey || event.altKey || actions.isHeld()) return;
    if (plainKey(event, actions) || rowKey(event, target)) event.preventDefault();
  }
  onMounted(() => window.addEventListener("keydown", key));
  onBeforeUnmount(() => window.removeEventListener("keydown", key));
}

const isUndo = (event: KeyboardEvent): boolean => (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z";
/** In a field that has something in it, undo belongs to the field. */
const hasText = (target: HTMLElement): boolean =>
  Boolean(target.closest(".cm-content, .ProseMirror")?.textContent || (target as HTMLInputElement).value);

/** @returns whether the key was one of these and is used up */
function plainKey(event: KeyboardEvent, actions: CaseKeyActions): boolean {
  const view = /^[1-9]$/.test(event.key) ? CASE_VIEWS[Number(event.key) - 1] : undefined;
  if (view) actions.goView(view.id);
  else if (event.key === "/") actions.write();
  else if (event.key === "t") return actions.trail();
  else if (event.key === "l") return actions.large();
  else if (event.key === "a") return actions.accept();
  else if (event.key === "?") actions.help();
  else if (TITLES[event.key]) goTo(TITLES[event.key]!);
  else {
    if (event.key === "Escape") {
      actions.unpoint();
      (document.activeElement as HTMLElement | null)?.blur();
    }
    return false;
  }
  return true;
}

function goTo(title: string): void {
  const section = document.getElementById(title)?.closest("section");
  const target =
    section?.querySelector<HTMLElement>("[data-row]") ??
    section?.querySelector<HTMLElement>('[tabindex="0"], [tabindex="-1"]');
  target?.focus();
  target?.scrollIntoView({ block: "nearest" });
}

/** Arrows go from row to row, Enter changes the row in focus. @returns whether the key is used up */
function rowKey(event: KeyboardEvent, target: HTMLElement): boolean {
  const row = target.closest<HTMLElement>("[data-row]");
  if (!row) return false;
  const step = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
  if (step !== 0) {
    const rows = [...(row.closest("section")?.querySelectorAll<HTMLElement>("[data-row]") ?? [])];
    const next = rows[rows.indexOf(row) + step];
    next?.focus();
    return next !== undefined;
  }
  if (event.key !== "Enter" || target !== row) return false;
  row.querySelector<HTMLElement>(".edit-text .shown")?.click();
  return true;
}
