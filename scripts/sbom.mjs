// npm run sbom [FILE]: all packages the product is made of, as CycloneDX (to FILE or .data/sbom.json), and
// docs/licences.md with the licence of each. Fails where one has no licence that allows handing it on.
import { execFileSync } from "node:child_process";
import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { format, resolveConfig } from "prettier";
import { root } from "./lib.mjs";

const FREE = [
  "MIT",
  "ISC",
  "Apache-2.0",
  "BSD-2-Clause",
  "BSD-3-Clause",
  "BlueOak-1.0.0",
  "CC0-1.0",
  "OFL-1.1",
  "0BSD",
];

const text = execFileSync("npm", ["sbom", "--omit", "dev", "--sbom-format", "cyclonedx"], {
  cwd: root,
  encoding: "utf8",
  maxBuffer: 1e8,
  stdio: ["ignore", "pipe", "ignore"],
});
const file = process.argv[2] ?? join(root, ".data", "sbom.json");
const { components } = JSON.parse(text);
const licenceOf = ({ licenses = [] }) =>
  licenses.map(({ license, expression }) => expression ?? license?.id ?? license?.name).join(" and ") || "none";
/** Of several to choose from one is enough. */
const isFree = (licence) =>
  licence
    .replaceAll(/[()]/g, "")
    .split(" OR ")
    .some((one) => FREE.includes(one));

const rows = components.map((c) => [c.name, c.version, licenceOf(c)]).sort((a, b) => a[0].localeCompare(b[0], "en"));
const closed = rows.filter(([, , licence]) => !isFree(licence));
if (closed.length > 0) {
  for (const [name, version, licence] of closed) console.error(`${name} ${version} has the licence ${licence}.`);
  process.exit(1);
}
const page = join(root, "docs/licences.md");
const counts = new Map();
for (const [, , licence] of rows) counts.set(licence, (counts.get(licence) ?? 0) + 1);
const summary = [...counts].sort((a, b) => b[1] - a[1]).map(([licence, count]) => `${count} ${licence}`);
const markdown = `# Licences

The packages Pasear is made of, without those that only build and test it; written by \`npm run sbom\`.
${summary.join(", ")}.

| package | version | licence |
| --- | --- | --- |
${rows.map((row) => `| ${row.join(" | ")} |`).join("\n")}
`;
writeFileSync(page, await format(markdown, { ...(await resolveConfig(page)), filepath: page }));
mkdirSync(dirname(file), { recursive: true });
writeFileSync(file, text);
console.log(`${rows.length} packages: docs/licences.md and ${file}`);
