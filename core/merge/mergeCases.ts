import { buildModel, type CaseFile } from "../model";
import { mergeRows } from "./mergeRows";
import { separateNewQuestions } from "./newQuestions";
import { LISTS, SINGLES } from "./parts";
import { same } from "./same";
import { settle, type Side } from "./settle";

/** Two versions of a case made one. */
export interface Merge {
  readonly merged: CaseFile;
  /** parts that both versions changed, each in its own way: there `merged` has the preferred one */
  readonly clashes: readonly string[];
}

/** Said when both versions are well, and together they are not: one renamed what the other uses. */
const NAMES = "names that one version changed and the other uses";

/**
 * Makes one case of two that were changed apart from a common beginning. What only one of them changed is taken from
 * there; a row counts as one part, its label and its look and the rows of a table apart.
 * @param prefer  whose part stands where both changed it
 */
export function mergeCases(base: CaseFile, mine: CaseFile, theirs: CaseFile, prefer: Side = "mine"): Merge {
  if (same(base, theirs) || same(mine, theirs)) return { merged: mine, clashes: [] };
  if (same(base, mine)) return { merged: theirs, clashes: [] };
  const own = separateNewQuestions(base, mine, theirs);
  const clashes: string[] = [];
  let merged = withPlan(base, own, theirs);
  for (const part of SINGLES) {
    const taken = settle(part.get(base), part.get(own), part.get(theirs), prefer);
    if (taken.isClash) clashes.push(part.word);
    merged = part.with(merged, taken.value);
  }
  for (const list of LISTS) {
    const [b, m, t] = [list.rows(base), list.rows(own), list.rows(theirs)];
    if (b.length + m.length + t.length === 0) continue;
    const rows = mergeRows(b, m, t, prefer);
    clashes.push(...rows.clashes.map((key) => `${list.word} ${key}`));
    merged = list.with(merged, rows.rows);
  }
  if (!keepsPlan(base, own, theirs, clashes.length > 0 ? prefer : null)) delete merged.plan;
  if (clashes.length === 0 && errorsOf(merged) > Math.max(errorsOf(own), errorsOf(theirs)))
    return { merged: prefer === "mine" ? mine : theirs, clashes: [NAMES] };
  return { merged, clashes };
}
const errorsOf = (document: CaseFile): number => buildModel(document).errors.length;

/** The beginning, with a plan where one of the versions has one, so that its parts have a place to stand in. */
function withPlan(base: CaseFile, ...versions: CaseFile[]): CaseFile {
  const plan = base.plan ?? { variables: [], constraints: [] };
  return versions.some((v) => v.plan) ? { ...base, plan } : { ...base };
}
function keepsPlan(base: CaseFile, mine: CaseFile, theirs: CaseFile, prefer: Side | null): boolean {
  if (prefer) return Boolean((prefer === "mine" ? mine : theirs).plan);
  return settle(Boolean(base.plan), Boolean(mine.plan), Boolean(theirs.plan), "mine").value;
}
