import type { H3Event } from "h3";

/** Largest request, in bytes as they are read: a length that is only told is not believed. */
export const LARGEST = 8_000_000;
/** Deepest nesting of a case is below 20; what is nested deeper than this was made to break something. */
const DEEPEST = 100;

/** The JSON of a request, read no further than it may be long. Refuses what is too long, too deep or no JSON. */
export async function readJson(event: H3Event): Promise<unknown> {
  const text = await readText(event);
  if (depthOf(text) > DEEPEST) refuse(400, `The request is nested deeper than ${DEEPEST} levels.`);
  if (/(?<!\\)(?:\\\\)*\\u0000/.test(text))
    refuse(400, "The request holds a character of code 0, which no text can keep; leave it out.");
  try {
    return JSON.parse(text);
  } catch {
    return refuse(400, "The request is not JSON.");
  }
}

function readText(event: H3Event): Promise<string> {
  const { req, res } = event.node;
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    let size = 0;
    const stop = () => {
      req.removeAllListeners("data");
      req.pause();
      // What is still on its way is not waited for.
      res.setHeader("connection", "close");
      res.once("finish", () => req.destroy());
      reject(refusal(413, `A request may be ${LARGEST / 1e6} MB long; this one is longer.`));
    };
    req.on("data", (chunk: Buffer) => {
      size += chunk.length;
      if (size > LARGEST) stop();
      else chunks.push(chunk);
    });
    req.once("end", () => resolve(Buffer.concat(chunks).toString("utf8")));
    req.once("error", reject);
  });
}

/** How deep brackets are nested outside of texts. */
export function depthOf(json: string): number {
  let [depth, deepest] = [0, 0];
  let isText = false;
  for (let i = 0; i < json.length; i++) {
    const c = json.charCodeAt(i);
    if (isText) {
      if (c === BACKSLASH) i++;
      else if (c === QUOTE) isText = false;
    } else if (c === QUOTE) isText = true;
    else if (c === OPEN_BRACE || c === OPEN_BRACKET) deepest = Math.max(deepest, ++depth);
    else if (c === CLOSE_BRACE || c === CLOSE_BRACKET) depth--;
  }
  return deepest;
}
const [QUOTE, BACKSLASH, OPEN_BRACE, CLOSE_BRACE, OPEN_BRACKET, CLOSE_BRACKET] = [34, 92, 123, 125, 91, 93];
