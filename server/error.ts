import type { NitroErrorHandler } from "nitropack";
import { CAUSES, causeOf } from "./db/causes";

/** Every error leaves as a plain sentence; what happened inside stays in the log. */
const handler: NitroErrorHandler = (error, event) => {
  const failure = error as { statusCode?: number; message?: string; data?: unknown; unhandled?: boolean };
  const cause = causeOf((error as { cause?: unknown }).cause) ?? causeOf(error);
  const status = cause ? CAUSES[cause].status : (failure.statusCode ?? 500);
  const known = status < 500 && !failure.unhandled;
  if (!known) useLog().error({ id: event.context.requestId as unknown, err: error }, "a request failed");
  const body = {
    statusCode: status,
    message: cause
      ? CAUSES[cause].message
      : known || status === 503
        ? (failure.message ?? "The request could not be answered.")
        : "Something went wrong on the server; nothing was changed.",
    ...(known && failure.data !== undefined ? { data: failure.data } : {}),
  };
  event.node.res.statusCode = status;
  event.node.res.setHeader("content-type", "application/json; charset=utf-8");
  event.node.res.setHeader("x-content-type-options", "nosniff");
  event.node.res.end(JSON.stringify(body));
};
export default handler;
