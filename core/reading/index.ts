export { readStory, caseOfStory, MOST_READ, type Reading } from "./read";
export type { Offered } from "./draft";
