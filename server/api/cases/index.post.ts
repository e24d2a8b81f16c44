/** Keeps a new case. With an `id` made by who asks, the same request twice makes one case. */
export default defineEventHandler(async (event) => {
  const { document, id, of } = await bodyCase(event, { isNew: true });
  const made = await (await useCases()).create(document, id ?? undefined, of);
  if (!made) refuse(409, "This `id` stands for another case already.");
  setResponseStatus(event, 201);
  return made;
});
