/** The database answers: requests may come. */
export default defineEventHandler(async () => {
  const store = await useCases();
  await store.answers();
  return { status: store.isReadOnly ? "read-only" : "ready" };
});
