import type { Picture, View } from "#core/graph";

/** Fingers count as this far apart at the least, in pixels. */
const APART = 20;

/** Which part of the axis is in sight: moved, looked at closer, framed anew. */
export function useGraphLook(picture: () => Picture | null, view: Ref<View>) {
  let pinch: { readonly apart: number; readonly middle: number; readonly from: number; readonly to: number } | null =
    null;

  function look(from: number, to: number): void {
    view.value = { ...view.value, from, to };
  }
  /** Less of the range in sight by a factor below 1, around an input that stays where it is. */
  function closer(factor: number, around: number | null): void {
    const p = picture();
    if (!p) return;
    const middle = around ?? (p.x.min + p.x.max) / 2;
    look(middle - (middle - p.x.min) * factor, middle + (p.x.max - middle) * factor);
  }
  function reframe(): void {
    const { from: _from, to: _to, ...rest } = view.value;
    view.value = rest;
  }
  /** Two fingers come down, `apart` pixels from each other, around an input. */
  function beginPinch(apart: number, middle: number): void {
    const p = picture();
    if (p) pinch = { apart: Math.max(APART, apart), middle, from: p.x.min, to: p.x.max };
  }
  function pinchTo(apart: number): void {
    if (!pinch) return;
    const factor = pinch.apart / Math.max(APART, apart);
    const { middle, from, to } = pinch;
    look(middle - (middle - from) * factor, middle + (to - middle) * factor);
  }
  function endPinch(): void {
    pinch = null;
  }
  return { look, closer, reframe, beginPinch, pinchTo, endPinch, isPinched: () => pinch !== null };
}
