import { edited } from "#core/edit";
import { picture, type Picture } from "#core/graph";
import { analyse } from "#core/question";
import { offersOf, type Offers } from "#core/reading";
import { answering } from "./answering";
import type { ReadingRequest } from "./readingProtocol";

function answered(data: ReadingRequest): Offers | Picture | null {
  if (data.kind === "read") return offersOf(data.source);
  const offers = data.offers.map((o) => o.offered);
  return picture(analyse(edited(data.source, { kind: "takeOffers", offers })), {}, null);
}

answering(answered);
