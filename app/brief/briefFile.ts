import { briefHtml, briefLatex, briefMarkdown } from "#core/brief";
import { strToU8, zipSync } from "fflate";
import type { BriefFileReply, BriefFileRequest } from "~/workers/briefProtocol";
import { mathMarkup } from "./mathMarkup";
import { officeText } from "./officeText";

type Made = Extract<BriefFileReply, { readonly file: Uint8Array }>;

/** A name for a picture inside an archive: of its key only what any system takes. */
const picturePath = (key: string): string => `pictures/${key.replace(/[^\p{L}\p{Nd}]+/gu, "-")}.png`;

/** A brief as a file of one of the kinds. @param told  is told how many blocks are done, of all */
export async function briefFile(asked: BriefFileRequest, told: (done: number, all: number) => void): Promise<Made> {
  const { kind, page, sheet, images } = asked;
  told(0, 1);
  switch (kind) {
    case "docx": {
      const type = "application/vnd.openxmlformats-officedocument.wordprocessingml.document";
      return { file: await officeText(asked, told), type, ending: "docx" };
    }
    case "html": {
      const svg = (key: string) => images.get(key)?.svg ?? null;
      const text = briefHtml(page, { math: mathMarkup, svg, sheet });
      return { file: strToU8(text) as Made["file"], type: "text/html", ending: "html" };
    }
    case "markdown":
      return zipped("brief.md", briefMarkdown(page, picturePath), asked);
    case "latex":
      return zipped("brief.tex", briefLatex(page, picturePath, sheet), asked);
  }
}

function zipped(name: string, text: string, { images }: BriefFileRequest): Made {
  const pictures = [...images].flatMap(([key, { png }]) => (png ? [[picturePath(key), png] as const] : []));
  const file = zipSync({ [name]: strToU8(text), ...Object.fromEntries(pictures) });
  return { file: file as Made["file"], type: "application/zip", ending: "zip" };
}
