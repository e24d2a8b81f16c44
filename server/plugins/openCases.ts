/** Opens and migrates the database with the server, so that a fault shows at once in the log. */
export default defineNitroPlugin(() => {
  useCases().catch((failure: unknown) => console.error("The cases could not be opened:", failure));
});
