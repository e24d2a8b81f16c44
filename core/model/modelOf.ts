import { buildModel } from "./build";
import type { CaseFile } from "./case";
import type { Model } from "./model";

const models = new WeakMap<CaseFile, Model>();

/**
 * The model of a case, put together once and shared by all who read it. A case is never changed in place: a change
 * makes another one, with a model of its own.
 */
export function modelOf(source: CaseFile): Model {
  const known = models.get(source);
  if (known) return known;
  const model = buildModel(source);
  models.set(source, model);
  return model;
}
