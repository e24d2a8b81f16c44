import type { BriefPage } from "#core/brief";
import { pictureKeys, pictureSvg } from "~/brief/briefPictures";
import type { BriefFileKind, BriefFileReply, BriefFileRequest, BriefImage } from "~/workers/briefProtocol";
import { svgPng, type Sheet } from "~/paper/pictureFile";
import { fileName, saveFile } from "~/paper/saveFile";

/** Pixels for each px of a picture that is 16 cm wide on paper: 300 dots an inch. */
const SHARP = 3;

/** What is written, and what the file is called. */
type Written = Pick<BriefFileRequest, "kind" | "page" | "sheet"> & { readonly title: string };

/** Makes files of a brief in a worker, tells how far one is, and can be stopped. */
export function useBriefFiles() {
  const working = ref<BriefFileKind | null>(null);
  const says = ref("");
  /** in percent */
  const share = ref(0);
  let worker: Worker | null = null;
  let stopped: () => void = () => {};
  function end(): void {
    worker?.terminate();
    worker = null;
    working.value = null;
  }
  function cancel(): void {
    stopped();
    end();
  }

  /** @returns the name of the saved file; null where it was stopped */
  async function make({ title, ...of }: Written, sheets: ReadonlyMap<string, Sheet>): Promise<string | null> {
    cancel();
    working.value = of.kind;
    share.value = 0;
    let isStopped = false;
    const stop = new Promise<null>((resolve) => {
      stopped = () => {
        isStopped = true;
        resolve(null);
      };
    });
    try {
      says.value = "Drawing the pictures …";
      const images = await imagesOf(of.page, sheets, of.kind !== "html");
      if (isStopped) return null;
      says.value = "Writing the file …";
      const made = await Promise.race([stop, written({ images, ...of })]);
      if (!made) return null;
      const name = `${fileName(title, "brief")}.${made.ending}`;
      saveFile(name, new Blob([made.file], { type: made.type }));
      return name;
    } finally {
      if (!isStopped) end();
    }
  }
  function written(request: BriefFileRequest) {
    worker = new Worker(new URL("../workers/brief.worker.ts", import.meta.url), { type: "module" });
    const mine = worker;
    return new Promise<Extract<BriefFileReply, { file: unknown }>>((resolve, reject) => {
      mine.onmessage = ({ data }: MessageEvent<BriefFileReply>) => {
        if ("done" in data) share.value = Math.round((100 * data.done) / data.all);
        else if ("file" in data) resolve(data);
        else reject(new Error(data.failed));
      };
      mine.onerror = () => reject(new Error("The part that writes files could not be loaded."));
      mine.postMessage(request);
    });
  }
  onScopeDispose(cancel);
  return { working, says, share, make, cancel };
}

async function imagesOf(page: BriefPage, sheets: ReadonlyMap<string, Sheet>, isDrawn: boolean) {
  const images = new Map<string, BriefImage>();
  for (const key of pictureKeys(page)) {
    const sheet = sheets.get(key);
    if (!sheet) continue;
    const { width, height } = sheet;
    const svg = pictureSvg(sheet);
    const png = isDrawn ? new Uint8Array(await (await svgPng(svg, width, height, SHARP)).arrayBuffer()) : null;
    images.set(key, { svg, png, width, height });
  }
  return images;
}
