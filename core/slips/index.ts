export { slipsOf } from "./slips";
export type { Slip } from "./slip";
