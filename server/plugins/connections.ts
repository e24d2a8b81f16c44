import type { Server } from "node:http";

/**
 * How long a connection over which nothing is asked stays open, in ms: longer than the minute for which proxies and
 * clients keep theirs, so that it is they who close it. A request sent into a connection that the server is closing
 * would be lost.
 */
const IDLE = 75_000;

export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook("request", ({ node }) => {
    const server = node.req.socket.server as Server | null;
    if (server && server.keepAliveTimeout < IDLE) server.keepAliveTimeout = IDLE;
  });
});
