import { parentPort } from "node:worker_threads";
import type { CaseFile } from "#core/model";
import { summarise } from "../utils/caseSummary";

/** Works out what the shelf shows of a case, beside the server's own thread: one case at a time. */
parentPort!.on("message", (document: CaseFile) => parentPort!.postMessage(summarise(document)));
