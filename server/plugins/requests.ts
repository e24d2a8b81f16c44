import { uuidv7 } from "uuidv7";

/** Every request has an id, in its answer and in the log; the log tells what was asked and how it went. */
export default defineNitroPlugin((nitro) => {
  const log = useLog();
  nitro.hooks.hook("request", (event) => {
    const id = requestId(getRequestHeader(event, "x-request-id"), uuidv7);
    event.context.requestId = id;
    setResponseHeader(event, "x-request-id", id);
    const started = performance.now();
    const { res } = event.node;
    res.once("close", () => {
      const path = event.path.split("?")[0]!;
      const status = res.statusCode;
      const level = status >= 500 ? "error" : !path.startsWith("/api/") ? "debug" : status >= 400 ? "warn" : "info";
      const ms = Math.round(performance.now() - started);
      log[level]({ id, method: event.method, path, status, ms, ...(res.writableFinished ? {} : { left: true }) });
    });
  });
});
