export {
  deskOf,
  type Desk,
  type DeskFinding,
  type DeskFunction,
  type DeskGiven,
  type DeskVariable,
  type Chip,
} from "./desk";
export { trailOf } from "./trail";
export { influenceOn, trackOf, type Influence, type InfluenceReport } from "./influence";
export { findingLatex, findingText, latexText } from "./copied";
