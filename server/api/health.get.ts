/** The server runs; whether it can keep cases is told by `/api/ready`. */
export default defineEventHandler(() => ({ status: "ok" }));
