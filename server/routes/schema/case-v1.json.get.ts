import { caseJsonSchema } from "#shared/schemas/case";

export default defineEventHandler((event) => {
  setHeader(event, "content-type", "application/schema+json");
  return caseJsonSchema();
});
