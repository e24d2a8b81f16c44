export default defineEventHandler(async (event) => {
  const { document } = await bodyCase(event);
  setResponseStatus(event, 201);
  return (await useCases()).create(document);
});
