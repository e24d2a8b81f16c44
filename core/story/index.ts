export { interpret, withEntry, freshId, type Entry, type Interpretation } from './statement'
export { readAmountText, type AmountRead } from './amountText'
export { shiftMarks, storyRuns, type StoryRun } from './marks'
export { changeSlot, type SlotResult } from './slot'
