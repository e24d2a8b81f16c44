import type { Model } from "../model";
import { usesOf } from "../question";

/**
 * What is made with what, as pairs [from, to] of keys such as `given:F`, `variable:q`, `data:counts`, `function:P`,
 * `question:q1`.
 */
export function deskLinks(model: Model): (readonly [string, string])[] {
  const out: (readonly [string, string])[] = [];
  const key = (name: string) =>
    model.givens.has(name)
      ? `given:${name}`
      : model.functions.has(name)
        ? `function:${name}`
        : model.variables.has(name)
          ? `variable:${name}`
          : null;
  const namesIn = (text: string) => text.match(/\p{L}[\p{L}\p{Nd}_]*/gu) ?? [];
  const link = (from: string | null, to: string) => {
    if (from) out.push([from, to]);
  };
  for (const v of model.source.variables ?? [])
    for (const bound of [v.from, v.to])
      if (typeof bound === "string") for (const n of namesIn(bound)) link(key(n), `variable:${v.name}`);
  for (const f of model.functions.values()) {
    link(`variable:${f.of}`, `function:${f.name}`);
    for (const u of f.uses) link(key(u), `function:${f.name}`);
  }
  for (const { name, by } of model.source.functions ?? [])
    if (by.kind === "fit") link(`data:${by.data}`, `function:${name}`);
  for (const q of model.source.questions ?? []) {
    const { names, amounts } = usesOf(q);
    for (const n of names) link(key(n), `question:${q.id}`);
    for (const a of amounts) {
      if (typeof a === "object") link(`question:${a.of}`, `question:${q.id}`);
      else if (typeof a === "string") for (const n of namesIn(a)) link(key(n), `question:${q.id}`);
    }
  }
  return out;
}
