export { judged } from "./judge";
export type { Judged, Verdict } from "./said";
