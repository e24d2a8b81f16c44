/** Opens and migrates the database with the server, so that a fault shows at once in the log, and closes it last. */
export default defineNitroPlugin((nitro) => {
  useCases().catch((failure: unknown) => useLog().error({ err: failure }, "the cases could not be opened"));
  nitro.hooks.hook("close", async () => {
    await closeCases();
    useLog().info("stopped");
  });
});
