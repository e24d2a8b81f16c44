const MOST = { tags: 20, letters: 40 };

/** `{ "tags": ["homework", "growth"] }`: what a case is sorted by. */
export default defineEventHandler(async (event) => {
  const id = caseId(event);
  const { tags } = objectOf(await readJson(event), ["tags"]);
  if (!Array.isArray(tags) || tags.some((t) => typeof t !== "string"))
    refuse(400, '`tags` is a list of words, as in `["homework"]`.');
  const plain = [...new Set((tags as string[]).map((t) => t.trim()).filter((t) => t !== ""))];
  if (plain.length > MOST.tags) refuse(400, `A case has at most ${MOST.tags} tags.`);
  if (plain.some((t) => t.length > MOST.letters)) refuse(400, `A tag has at most ${MOST.letters} letters.`);
  if (!(await (await useCases()).setTags(id, plain))) refuse(404, "There is no such case; it may have been deleted.");
  return { tags: plain };
});
