/** What takes letters and digits itself: a list jumps to the entry that begins with them. */
const WRITTEN_IN = "input, textarea, select, [contenteditable], [role='combobox'], [role='listbox']";

/** Whether letters that are typed go into a field. */
export const isWriting = (target: Element | null): boolean => target?.closest(WRITTEN_IN) != null;

/** A longer line that is pasted may be no line of ours, in characters. */
const LONG = 80;

/** Whether a pasted text may be more than a piece of the line it is pasted into. */
export const isMuch = (text: string): boolean => text.trim().includes("\n") || text.trim().length > LONG;
