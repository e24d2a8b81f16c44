// What the page works with as soon as somebody does something: models of a case, lines that are read, versions brought
// together. It is a part of its own, for which the first graph need not wait; `deskCore.ts` loads it.
export { interpret, readLines, understand } from "#core/entry";
export { valueOrWhy } from "#core/graph";
export { mergeCases } from "#core/merge";
export { modelOf } from "#core/model";
export { isWorded, suggestions, typesetLine } from "#core/story";
