/** Every key of a case, with what it does. */
export const KEYS: readonly (readonly [key: string, what: string])[] = [
  ["/", "to the entry line"],
  ["s g f n", "to Story, Givens, Functions, Findings"],
  ["1 2 3 4", "to Desk, Data, Plan, Brief"],
  ["↑ ↓", "within a list"],
  ["Enter", "change what is focused, in place"],
  ["Esc", "leave"],
  ["t", "the trail of what is focused, as a list"],
  ["l", "the graph large, and back"],
  ["a", "accept all that the story offers"],
  ["Enter, c, Delete on an offer", "take it, change it first, leave it"],
  ["Alt+↑ Alt+↓", "move a function in the list"],
  ["Ctrl+Space, Tab", "completions while writing; take the first"],
  ["Ctrl+Z, Ctrl+Shift+Z", "undo, redo"],
  ["← → on the graph", "move the reading line; with Shift to the next answer"],
  ["+ − 0 on the graph", "closer, wider, reframe"],
  ["?", "this help"],
];
