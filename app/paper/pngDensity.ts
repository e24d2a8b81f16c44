/** The table of the check sum that a PNG's parts end with (ISO/IEC 15948, annex D). */
const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c;
});
const checkSum = (bytes: Uint8Array): number => ~bytes.reduce((c, b) => TABLE[(c ^ b) & 255]! ^ (c >>> 8), ~0) >>> 0;

const INCH = 0.0254;
/** The signature and the first part, which every PNG begins with. */
const HEAD = 8 + 25;

/**
 * A PNG that says how large it is meant to be, so that a document places it in that size (ISO/IEC 15948, pHYs).
 * @param dpi  pixels an inch
 */
export function withDensity(png: Uint8Array, dpi: number): Uint8Array<ArrayBuffer> {
  const part = new Uint8Array(21);
  const view = new DataView(part.buffer);
  const perMetre = Math.round(dpi / INCH);
  view.setUint32(0, 9);
  part.set(new TextEncoder().encode("pHYs"), 4);
  view.setUint32(8, perMetre);
  view.setUint32(12, perMetre);
  part[16] = 1;
  view.setUint32(17, checkSum(part.subarray(4, 17)));
  const out = new Uint8Array(png.length + part.length);
  out.set(png.subarray(0, HEAD));
  out.set(part, HEAD);
  out.set(png.subarray(HEAD), HEAD + part.length);
  return out;
}
