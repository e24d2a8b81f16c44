import withNuxt from "./.nuxt/eslint.config.mjs";

const outside = [
  "vue",
  "vue/*",
  "nuxt",
  "nuxt/*",
  "#app",
  "#app/*",
  "#imports",
  "pinia",
  "@pinia/*",
  "primevue",
  "primevue/*",
  "h3",
  "nitropack",
  "zod",
  "echarts",
  "drizzle-orm",
  "@libsql/*",
  "node:*",
  "~/*",
  "~~/*",
  "#shared/*",
  "**/app/**",
  "**/server/**",
  "**/shared/**",
];

export default withNuxt(
  {
    rules: {
      // The formatter leaves long texts and comments alone; a line holds one thought all the same.
      "max-len": ["error", { code: 120, ignoreUrls: true }],
      "no-eval": "error",
      "no-implied-eval": "error",
      "no-new-func": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      "vue/html-self-closing": "off",
      "vue/max-attributes-per-line": "off",
      "vue/singleline-html-element-content-newline": "off",
      "vue/first-attribute-linebreak": "off",
      "vue/attributes-order": "off",
      "vue/require-default-prop": "off",
      "vue/multi-word-component-names": "off",
    },
  },
  {
    // A file is one idea, a function one thought. What describes tests is as long as the tests are.
    rules: { "max-lines": ["error", 300], "max-lines-per-function": ["error", 60] },
  },
  { files: ["**/*.{test,spec}.ts"], rules: { "max-lines-per-function": "off" } },
  { files: ["app/components/**"], rules: { "max-lines": ["error", 200] } },
  {
    // Controls and tables are those of the component library. The parts of a sentence that are changed in place, the
    // line that stands in for the code editor, and the browser's own way to a file are not among them.
    files: ["app/**/*.vue"],
    ignores: ["app/components/common/{EditText,CodeLine}.vue", "app/components/{data/Import,plan/PlanFiles}Dialog.vue"],
    rules: {
      "vue/no-restricted-html-elements": [
        "error",
        ...Object.entries({
          button: "Button",
          select: "Select",
          input: "InputText, Checkbox or RadioButton",
          textarea: "Textarea",
          table: "RowsTable",
          dialog: "Dialog",
          progress: "ProgressBar",
        }).map(([element, instead]) => ({ element, message: `Use ${instead} of the component library.` })),
      ],
    },
  },
  {
    // The core is pure: nothing of the interface, the server, the clock or chance.
    files: ["core/**/*.ts"],
    ignores: ["core/**/*.test.ts", "core/**/*.fixture.ts"],
    rules: {
      "no-restricted-imports": [
        "error",
        { patterns: [{ group: outside, message: "The core imports only from the core." }] },
      ],
      "no-restricted-globals": [
        "error",
        { name: "Date", message: "The core has no clock." },
        "window",
        "document",
        "fetch",
        "process",
        "performance",
        "setTimeout",
      ],
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random", message: "The core has no chance in it." },
      ],
    },
  },
  { ignores: [".output", ".data", "server/db/migrations", "test-results", "playwright-report"] },
);
