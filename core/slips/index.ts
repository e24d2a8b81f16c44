export { slipsOf } from "./slips";
export type { Slip } from "./slip";
export { changed, type Change } from "./change";
export { renamed, renamedText } from "./rename";
