const MOST_LETTERS = 120;

/** `{ "name": "before the discount" }` keeps a state for good; `{ "name": null }` lets it go its way. */
export default defineEventHandler(async (event) => {
  const [id, revision] = [caseId(event), versionNumber(event)];
  const { name } = objectOf(await readJson(event), ["name"]);
  const isName = name === null || (typeof name === "string" && name.trim() !== "" && name.length <= MOST_LETTERS);
  if (!isName) refuse(400, `\`name\` is a text of at most ${MOST_LETTERS} letters, or null.`);
  const text = name === null ? null : (name as string).trim();
  if (!(await (await useCases()).nameVersion(id, revision, text)))
    refuse(404, "There is no such state of the case; old ones are thinned out unless they have a name.");
  return { name: text };
});
