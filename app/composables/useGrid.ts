import { blockRead, cellRead, cellTyped } from "#core/explain";
import type { DataTable } from "#core/model";

/** Rows that a key turns the page by. */
const PAGE = 12;

/** The cell of a table that is stood on, what is typed into it, and the keys that move. */
export function useGrid(table: () => DataTable, stand: (row: number, column: number) => void) {
  const store = useCaseStore();
  const at = reactive({ row: 0, column: 0 });
  const editing = ref<string | null>(null);
  const wrong = ref<string | null>(null);
  /** One empty row stands below the last, to write on. */
  const count = computed(() => table().rows.length + 1);
  const lastColumn = computed(() => table().columns.length - 1);
  const unit = () => table().columns[at.column]?.unit;
  const value = () => table().rows[at.row]?.[at.column] ?? null;

  function go(row: number, column: number): void {
    at.row = Math.min(count.value - 1, Math.max(0, row));
    at.column = Math.min(lastColumn.value, Math.max(0, column));
    stand(at.row, at.column);
  }
  function edit(text = cellTyped(value(), unit())): void {
    editing.value = text;
    wrong.value = null;
  }
  function leave(): void {
    editing.value = null;
    wrong.value = null;
  }
  /** Keeps what was typed; false when it is no number. */
  function keep(): boolean {
    if (editing.value === null) return true;
    const read = cellRead(editing.value, unit());
    wrong.value = read.ok ? null : read.message;
    if (!read.ok) return false;
    editing.value = null;
    const { row, column } = at;
    if (read.value !== value()) store.apply({ kind: "writeCell", table: table().name, row, column, value: read.value });
    return true;
  }
  function empty(): void {
    editing.value = "";
    keep();
  }
  function paste(event: ClipboardEvent): void {
    const block = editing.value === null ? blockRead(event.clipboardData?.getData("text") ?? "") : null;
    if (!block) return;
    if ("message" in block) {
      wrong.value = block.message;
      return;
    }
    event.preventDefault();
    store.apply({ kind: "pasteRows", table: table().name, row: at.row, column: at.column, cells: block.cells });
  }
  const grid = { at, count, lastColumn, editing, wrong, go, edit, leave, keep, empty };
  return { ...grid, paste, key: gridKeys(grid) };
}

interface GridInHand {
  readonly at: { readonly row: number; readonly column: number };
  readonly count: Readonly<Ref<number>>;
  readonly lastColumn: Readonly<Ref<number>>;
  readonly editing: Readonly<Ref<string | null>>;
  readonly go: (row: number, column: number) => void;
  readonly edit: (text?: string) => void;
  readonly leave: () => void;
  readonly keep: () => boolean;
  readonly empty: () => void;
}
type Place = readonly [row: number, column: number];

/** Where a key leads; null where it leads nowhere, or out of the table. */
function placeAfter({ key, shiftKey, ctrlKey }: KeyboardEvent, grid: GridInHand): Place | null {
  const { row, column } = grid.at;
  const [lastRow, lastColumn] = [grid.count.value - 1, grid.lastColumn.value];
  switch (key) {
    case "Enter":
      return [row + (shiftKey ? -1 : 1), column];
    case "Tab":
      if (shiftKey) return column > 0 ? [row, column - 1] : row > 0 ? [row - 1, lastColumn] : null;
      return column < lastColumn ? [row, column + 1] : row < lastRow ? [row + 1, 0] : null;
  }
  // While a cell is written these keys are the field's.
  if (grid.editing.value !== null) return null;
  switch (key) {
    case "ArrowDown":
      return [row + 1, column];
    case "ArrowUp":
      return [row - 1, column];
    case "ArrowRight":
      return [row, column + 1];
    case "ArrowLeft":
      return [row, column - 1];
    case "PageDown":
      return [row + PAGE, column];
    case "PageUp":
      return [row - PAGE, column];
    case "Home":
      return [ctrlKey ? 0 : row, 0];
    case "End":
      return [ctrlKey ? lastRow : row, lastColumn];
    default:
      return null;
  }
}

/** Arrows move, typing replaces, Enter goes down, Tab to the right, F2 changes, Delete empties, Escape leaves. */
const gridKeys =
  (grid: GridInHand) =>
  (event: KeyboardEvent): void => {
    const isWriting = grid.editing.value !== null;
    const place = placeAfter(event, grid);
    const isLetter = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;
    const act = (does: () => void) => {
      event.preventDefault();
      does();
    };
    if (place) act(() => grid.keep() && grid.go(...place));
    else if (isWriting && event.key === "Escape")
      act(() => {
        grid.leave();
        grid.go(grid.at.row, grid.at.column);
      });
    else if (!isWriting && event.key === "F2") act(() => grid.edit());
    else if (!isWriting && (event.key === "Delete" || event.key === "Backspace")) act(grid.empty);
    else if (!isWriting && isLetter) act(() => grid.edit(event.key));
    // Letters typed here are for the cell, not for the keys of the page.
    event.stopPropagation();
  };
