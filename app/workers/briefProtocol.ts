import type { BriefPage } from "#core/brief";

export type BriefFileKind = "docx" | "markdown" | "html" | "latex";
/** A picture of the brief: as SVG text, and as pixels for those files that take no other. */
export interface BriefImage {
  readonly svg: string;
  readonly png: Uint8Array<ArrayBuffer> | null;
  /** size as it stands on the page, in px */
  readonly width: number;
  readonly height: number;
}
export interface BriefFileRequest {
  readonly kind: BriefFileKind;
  readonly page: BriefPage;
  readonly sheet: "a4" | "letter";
  readonly images: ReadonlyMap<string, BriefImage>;
}
export type BriefFileReply =
  | { readonly done: number; readonly all: number }
  | { readonly file: Uint8Array<ArrayBuffer>; readonly type: string; readonly ending: string }
  | { readonly failed: string };
