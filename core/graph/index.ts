export {
  thinnedRows,
  picture,
  CURVE_LOOKS,
  type Picture,
  type Curve,
  type Point,
  type Pane,
  type Threshold,
  type Shade,
  type View,
} from "./picture";
export { axis, roundStep, type Axis } from "./scale";
export { sampleCurve, type Run } from "./sample";
export { valueTable, steppedInputs, listedInputs, tableText, MAX_ROWS, type TableRow } from "./valueTable";
