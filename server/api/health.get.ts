export default defineEventHandler(async () => {
  await (await useCases()).list();
  return { status: "ok" };
});
