export default defineEventHandler(
  async (event) =>
    (await (await useCases()).get(caseId(event))) ?? refuse(404, "There is no such case; it may have been deleted."),
);
