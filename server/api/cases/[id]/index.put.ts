/**
 * Keeps a changed case. The write names the revision it started from; if another came first, nothing is changed and the
 * present one is sent back.
 */
export default defineEventHandler(async (event) => {
  const id = caseId(event);
  const { document, revision } = await bodyCase(event);
  if (revision === null) refuse(400, "A change needs the `revision` it started from.");
  const result = await (await useCases()).write(id, revision, document);
  if (result.status === "missing") refuse(404, "There is no such case; it may have been deleted.");
  if (result.status === "stale")
    refuse(
      409,
      `This case was changed elsewhere: it is at revision ${result.kept.revision}, and the ` +
        `change started from ${revision}.`,
      result.kept,
    );
  return { id, title: result.kept.title, revision: result.kept.revision, updatedAt: result.kept.updatedAt };
});
