/** The kept states of a case, newest first. */
export default defineEventHandler(async (event) => {
  const id = caseId(event);
  const store = await useCases();
  const found = await store.versions.list(id);
  if (found.length === 0) refuse(404, "There is no such case; it may have been deleted.");
  return found;
});
