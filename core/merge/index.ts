export { comparedCases, type Compared, type Difference } from "./compared";
export { mergeCases, type Merge } from "./mergeCases";
export { differingParts } from "./parts";
export { same } from "./same";
