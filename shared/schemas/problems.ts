import type * as z from "zod";

export interface ShapeProblem {
  path: string;
  message: string;
}

/** `functions[2].by.text` from a list of keys. */
export const pathText = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, key) => (typeof key === "number" ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key)),
    "",
  );

const AMOUNT = 'This should be a number, a formula text, or an earlier answer such as `{ "of": "q1" }`.';
const RUN =
  'This should be `{ "text": "…" }`, `{ "math": "…" }`, ' + 'or a number of the case such as `{ "given": "F" }`.';

type Issue = z.core.$ZodIssue;

/** What is wrong with one part of a document, where, and what would be right. */
export function sayIssue(issue: Issue, document: unknown): ShapeProblem[] {
  const path = pathText(issue.path);
  const found = issue.path.reduce<unknown>(
    (value, key) => (value as Record<PropertyKey, unknown> | undefined)?.[key],
    document,
  );
  if (issue.code === "unrecognized_keys") {
    return issue.keys.map((key) => ({
      path: path ? `${path}.${key}` : key,
      message: `The key \`${key}\` is not known here.`,
    }));
  }
  if (issue.code === "invalid_union") {
    if (issue.errors.length === 0 || issue.discriminator) {
      const key = issue.discriminator ?? (issue.path[issue.path.length - 1] as string);
      // The path may end with the key that tells the kinds apart, or with what has it.
      const isNamed = issue.path.at(-1) === key;
      const said = isNamed ? found : (found as Record<string, unknown> | undefined)?.[key];
      if (said === undefined)
        return [{ path: isNamed || !path ? path : `${path}.${key}`, message: "This is missing." }];
      return [
        {
          path,
          message: `\`${typeof said === "string" ? said : JSON.stringify(said)}\` is not a known \`${key}\`.`,
        },
      ];
    }
    return [
      {
        path,
        message: found === undefined ? "A value is missing here." : issue.path[0] === "brief" ? RUN : AMOUNT,
      },
    ];
  }
  if (issue.code === "too_big" && (issue.origin === "array" || issue.origin === "string")) {
    const most = Number(issue.maximum).toLocaleString("en");
    const message =
      issue.origin === "array"
        ? `At most ${most} of these may stand here.`
        : `This may be at most ${most} characters long.`;
    return [{ path, message }];
  }
  if (found === undefined && (issue.code === "invalid_type" || issue.code === "invalid_value"))
    return [{ path, message: "This is missing." }];
  if (issue.code === "invalid_type") return [{ path, message: `This should be ${article(issue.expected)}.` }];
  if (issue.code === "invalid_value")
    return [{ path, message: `This should be ${issue.values.map((v) => `\`${String(v)}\``).join(" or ")}.` }];
  return [{ path, message: issue.message }];
}
const article = (kind: string): string =>
  ({
    number: "a number",
    string: "a text",
    array: "a list",
    object: "an object",
    boolean: "`true` or `false`",
    int: "a whole number",
    nan: "a number",
    tuple: "a list of two",
  })[kind] ?? `a ${kind}`;
