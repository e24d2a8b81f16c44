/** Clears a deleted case away for good, with all its states. */
export default defineEventHandler(async (event) => {
  if (!(await (await useCases()).clear(caseId(event))))
    refuse(404, "No such case was deleted; it may have been cleared away already.");
  return { deleted: true };
});
