import { RESERVED, quoted } from "../formula";
import type { CaseFile } from "./case";
import type { Problems } from "./problems";

const NAME = /^\p{L}[\p{L}\p{Nd}_]*$/u;

interface Row {
  readonly name: string;
  readonly label?: string | undefined;
}

/** Each name stands for one thing, and is none that means something already; each question has an id of its own. */
export function checkNames(source: CaseFile, problems: Problems): void {
  const seen = new Map<string, string>();
  /** Who says what each of two names means, meant both. */
  const described = new Set<string>();
  const check = ({ name, label }: Row, path: string) => {
    sayUnfit(name, path, problems);
    const before = seen.get(name);
    if (before) {
      const message = `The name ${quoted(name)} is used twice: here and at ${before}. Each name stands for one thing.`;
      problems.error(path, message);
      return;
    }
    if (label) described.add(name);
    const alike = [...seen.keys()].find((k) => k.toLowerCase() === name.toLowerCase());
    if (alike && !(described.has(alike) && described.has(name)))
      problems.warn(
        path,
        `${quoted(name)} and ${quoted(alike)} differ only in capitals; a slip between them would go unseen.`,
      );
    seen.set(name, path);
  };
  source.givens?.forEach((g, i) => check(g, `givens[${i}].name`));
  source.variables?.forEach((v, i) => check(v, `variables[${i}].name`));
  source.functions?.forEach((f, i) => check(f, `functions[${i}].name`));
  // A plan may use the variables of the case; a clash is only with givens and functions.
  source.plan?.variables.forEach((v, i) => {
    if (!(source.variables ?? []).some((w) => w.name === v.name)) check(v, `plan.variables[${i}].name`);
  });
  const ids = new Set<string>();
  source.questions?.forEach((q, i) => {
    if (ids.has(q.id))
      problems.error(`questions[${i}].id`, `The id ${quoted(q.id)} is used twice; every question has its own.`);
    ids.add(q.id);
  });
}

function sayUnfit(name: string, path: string, problems: Problems): void {
  if (!NAME.test(name))
    problems.error(
      path,
      `${quoted(name)} cannot be a name: a name starts with a letter and goes on with letters, digits or \`_\`.`,
    );
  else if (RESERVED.has(name)) {
    const what = name === "e" || name === "pi" ? "a number" : "a built-in function";
    problems.error(path, `${quoted(name)} is the name of ${what}; choose another name.`);
  }
}
