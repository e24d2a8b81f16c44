export { CURVE_LOOKS, picture } from "./picture";
export { thinnedRows } from "./rows";
export type { Curve, Pane, Picture, Point, Shade, Threshold, View } from "./parts";
export { axis, roundStep, type Axis } from "./scale";
export { sampleCurve, type Run } from "./sample";
export {
  valueTable,
  valueOrWhy,
  steppedInputs,
  withOpened,
  listedInputs,
  tableCells,
  MAX_ROWS,
  type TableRow,
} from "./valueTable";
