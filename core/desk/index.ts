export { deskOf, type Desk, type DeskFunction, type DeskGiven, type DeskVariable } from "./desk";
export type { DeskFinding } from "./findingCard";
export type { Chip } from "./chips";
export { cornerTrail, type CornerTrail } from "./cornerTrail";
export { closeUpOf } from "./closeUp";
export { firstSteps } from "./firstSteps";
export { comesOf, trailOf } from "./trail";
export { influenceOn, trackOf, trackStep, type Influence, type InfluenceReport } from "./influence";
export { findingLatex, findingText, latexText } from "./copied";
