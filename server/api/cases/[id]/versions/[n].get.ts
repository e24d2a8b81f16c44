export default defineEventHandler(
  async (event) =>
    (await (await useCases()).versions.get(caseId(event), versionNumber(event))) ??
    refuse(404, "There is no such state of the case; old ones are thinned out unless they have a name."),
);
