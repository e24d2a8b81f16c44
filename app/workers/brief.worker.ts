import { briefFile } from "~/brief/briefFile";
import type { BriefFileReply, BriefFileRequest } from "./briefProtocol";

const send = (reply: BriefFileReply) => self.postMessage(reply);

/** Makes one file of a brief, and says how far it is. */
self.onmessage = ({ data }: MessageEvent<BriefFileRequest>) => {
  briefFile(data, (done, all) => send({ done, all })).then(send, (failure: unknown) =>
    send({ failed: failure instanceof Error ? failure.message : String(failure) }),
  );
};
