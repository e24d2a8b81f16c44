import type { Picture } from "#core/graph";
import type { CaseFile } from "#core/model";
import type { Offer, Offers } from "#core/reading";
import type { ReadingRequest } from "~/workers/readingProtocol";
import { AskedWorker } from "./askedWorker";

/** Reads stories beside the page; its code comes with the first story that is read. */
export class ReadingWorker extends AskedWorker<ReadingRequest, Offers | Picture | null> {
  async read(source: CaseFile): Promise<Offers> {
    return (await this.request({ kind: "read", source: toRaw(source) })) as Offers;
  }
  /** @returns null where what is offered has no graph */
  async draw(source: CaseFile, offers: readonly Offer[]): Promise<Picture | null> {
    return (await this.request({ kind: "draw", source: toRaw(source), offers: toRaw(offers) })) as Picture | null;
  }
  protected override open(): Worker {
    return new Worker(new URL("../workers/reading.worker.ts", import.meta.url), { type: "module" });
  }
}
