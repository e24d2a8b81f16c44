import { tokenize } from "../formula";
import {
  rewritten,
  type Amount,
  type Brief,
  type CaseFile,
  type FunctionRow,
  type NumberText,
  type Plan,
  type Question,
  type WordsBlock,
  type WordsRun,
} from "../model";
import { roomOf } from "../question";

/** A formula text with one name written for another; what is not read as a formula stays. */
export function renamedText(text: string, from: string, to: string): string {
  const { tokens, problem } = tokenize(text);
  if (problem) return text;
  let out = "";
  let at = 0;
  for (const t of tokens) {
    if (t.kind !== "name" || t.name !== from) continue;
    out += text.slice(at, t.start) + to;
    at = t.start + from.length;
  }
  return out + text.slice(at);
}

/** A relation, or a list of such, with one name written for another on each side. */
const renamedRelation = (text: string, from: string, to: string): string =>
  text
    .split(/(<=|>=|≤|≥|<|>|=|≈|±|;|,|\bor\b)/)
    .map((part, i) => (i % 2 === 0 ? renamedText(part, from, to) : part))
    .join("");

function renamedPlan(plan: Plan, from: string, to: string): Plan {
  const { objective } = plan;
  return {
    ...plan,
    variables: plan.variables.map((v) => (v.name === from ? { ...v, name: to } : v)),
    constraints: plan.constraints.map((c) => ({ ...c, text: renamedRelation(c.text, from, to) })),
    ...(objective ? { objective: { ...objective, text: renamedText(objective.text, from, to) } } : {}),
  };
}

/** Own words with what they refer to called by its new name; mathematics in them likewise. */
function renamedBrief(brief: Brief, from: string, to: string): Brief {
  const run = (r: WordsRun): WordsRun =>
    "given" in r && r.given === from ? { given: to } : "math" in r ? { math: renamedRelation(r.math, from, to) } : r;
  const block = (b: WordsBlock): WordsBlock =>
    b.kind === "list" ? { ...b, items: b.items.map((item) => item.map(run)) } : { ...b, runs: b.runs.map(run) };
  const rows = brief.rows?.map((row) => (row.blocks ? { ...row, blocks: row.blocks.map(block) } : row));
  return rows ? { ...brief, rows } : brief;
}

/** The case with a given, variable or function called by another name, wherever it is used. */
export function renamed(source: CaseFile, from: string, to: string): CaseFile {
  const name = (n: string): string => (n === from ? to : n);
  const number = (n: NumberText): NumberText => (typeof n === "string" ? renamedText(n, from, to) : n);
  const amount = (a: Amount): Amount => (typeof a === "object" ? a : number(a));
  const by = (b: FunctionRow["by"]) => rewritten(b, { name, number, text: (t) => renamedText(t, from, to) });
  const line = (text: string): string => renamedRelation(text, from, to);
  const question = (q: Question): Question => {
    const made = roomOf(q).replaced(q, { name, amount });
    return made.working ? { ...made, working: made.working.map(line) } : made;
  };
  return {
    ...source,
    ...(source.story?.marks
      ? { story: { ...source.story, marks: source.story.marks.map((m) => (m.of === from ? { ...m, of: to } : m)) } }
      : {}),
    ...(source.givens ? { givens: source.givens.map((g) => ({ ...g, name: name(g.name) })) } : {}),
    ...(source.variables
      ? {
          variables: source.variables.map((v) => ({
            ...v,
            name: name(v.name),
            ...(v.from === undefined ? {} : { from: number(v.from) }),
            ...(v.to === undefined ? {} : { to: number(v.to) }),
          })),
        }
      : {}),
    ...(source.functions
      ? { functions: source.functions.map((f) => ({ ...f, name: name(f.name), of: name(f.of), by: by(f.by) })) }
      : {}),
    ...(source.questions ? { questions: source.questions.map(question) } : {}),
    ...(source.plan ? { plan: renamedPlan(source.plan, from, to) } : {}),
    ...(source.brief ? { brief: renamedBrief(source.brief, from, to) } : {}),
  };
}
