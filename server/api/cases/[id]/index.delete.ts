export default defineEventHandler(async (event) => {
  if (!(await (await useCases()).remove(caseId(event))))
    refuse(404, "There is no such case; it may have been deleted already.");
  return { deleted: true };
});
