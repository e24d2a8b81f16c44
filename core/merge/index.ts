export { mergeCases, type Merge } from "./mergeCases";
export { differingParts } from "./parts";
export { same } from "./same";
