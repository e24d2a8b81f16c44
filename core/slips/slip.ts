import type { Edit } from "../edit";

/**
 * A likely mistake, where it is, and one change that would mend it. The person decides; nothing is mended by itself.
 */
export interface Slip {
  /** the row it belongs to: `given:F`, `variable:q`, `function:P`, `question:q1`, `story` */
  readonly key: string;
  readonly message: string;
  readonly mend: { readonly says: string; readonly change: Edit } | null;
}
