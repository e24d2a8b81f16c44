export default defineEventHandler(async () => (await useCases()).list());
