export default defineEventHandler(
  async (event) =>
    (await (await useCases()).restore(caseId(event))) ?? refuse(404, "There is no such case to bring back."),
);
