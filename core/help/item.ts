/** One thing that can be written or done, with lines that can be tried in the case at hand. */
export interface HelpItem {
  readonly what: string;
  readonly says: string;
  readonly lines: readonly string[];
}
