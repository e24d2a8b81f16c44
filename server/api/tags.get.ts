/** The tags in use, each with how many cases on the shelf have it. */
export default defineEventHandler(async () => (await useCases()).tags());
