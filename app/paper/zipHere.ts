import { zipSync, type AsyncZippable, type Zippable } from "fflate";

export * from "fflate";

/**
 * Stands in for the packer's own `zip` where a workbook is written: that one begins threads from text, which the
 * page's policy forbids, and a thread of our own is what already runs.
 */
export function zip(files: AsyncZippable, done: (failure: Error | null, packed: Uint8Array | null) => void): void {
  let packed: Uint8Array;
  try {
    packed = zipSync(files as Zippable);
  } catch (failure) {
    done(failure as Error, null);
    return;
  }
  done(null, packed);
}
