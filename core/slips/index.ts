export { slipsOf, type Slip } from "./slips";
export { changed, type Change } from "./change";
export { renamed, renamedText } from "./rename";
