export { helpTopics, type HelpTopic } from "./help";
export type { HelpItem } from "./item";
