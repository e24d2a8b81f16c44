/** Rows as CSV with quotes where they are needed (RFC 4180). */
export const csvOf = (rows: readonly (readonly string[])[]): string =>
  rows.map((row) => row.map((v) => (/[",\n]/.test(v) ? `"${v.replaceAll('"', '""')}"` : v)).join(",")).join("\n");
