import type { NitroConfig } from "nitropack/types";
import { copyFile } from "node:fs/promises";
import { fileURLToPath } from "node:url";
import { minified } from "./scripts/minified.mjs";
import { ownFolders } from "./scripts/ownFolders.mjs";
import { press } from "./scripts/pressed.mjs";
import { zipHere } from "./scripts/zipHere.mjs";

const folder = (path: string) => fileURLToPath(new URL(path, import.meta.url));

// While developing, styles are put in as they change, without the page's nonce; the built application allows none such.
const styles = process.env.NODE_ENV === "development" ? ["'self'", "'unsafe-inline'"] : ["'self'", "'nonce-{{nonce}}'"];

const SERVER_PARTS = [
  ...["@primeuix/", "@primevue/", "@vue/", "unhead", "vue"],
  ...["cssfilter", "devalue", "drizzle-orm", "fraction.js", "lru-cache", "pluralize", "uuidv7", "xss", "zod"],
];
const theCore = { path: "../tsconfig.core.json" };

const nitro: NitroConfig = {
  typescript: { tsConfig: { references: [theCore] } },
  alias: { "#core": folder("./core") },
  // Built into one file, so that the server is there in two thirds of the time; what loads files of its own is not.
  externals: { inline: SERVER_PARTS },
  errorHandler: "~~/server/error.ts",
  // The stories beside them are for tests and measuring.
  serverAssets: [{ baseName: "demo", dir: "../demo", pattern: "*.pasear.json" }],
};

export default defineNuxtConfig({
  compatibilityDate: "2026-11-01",
  telemetry: false,
  // Every view is worked out in the browser from the case itself; the server sends a shell and keeps the cases.
  ssr: false,
  spaLoadingTemplate: "spa-loading.html",
  modules: ["@pinia/nuxt", "@primevue/nuxt-module", "nuxt-security", "@nuxt/eslint", "@vite-pwa/nuxt"],
  css: [
    "@fontsource-variable/atkinson-hyperlegible-next/index.css",
    "@fontsource-variable/literata/index.css",
    "~/assets/tokens.css",
    "~/assets/base.css",
  ],
  app: {
    head: {
      title: "Pasear",
      htmlAttrs: { lang: "en" },
      meta: [
        { name: "viewport", content: "width=device-width, initial-scale=1" },
        { name: "description", content: "From a story to a decision." },
      ],
      link: [{ rel: "icon", type: "image/svg+xml", href: "/lantern.svg" }],
    },
  },
  components: [{ path: "~/components", pathPrefix: false }],
  alias: { "#core": folder("./core") },
  typescript: {
    strict: true,
    // Tests are code: what checks the page checks them too. The core is checked once, by itself (tsconfig.core.json).
    tsConfig: {
      references: [theCore],
      include: ["core/**/*.test", "core/**/*.fixture", "shared/**/*", "tests/**/*", "bench/**/*"].map(
        (files) => `../${files}.ts`,
      ),
      compilerOptions: { noUncheckedIndexedAccess: true, noImplicitOverride: true },
    },
  },
  primevue: {
    importTheme: { from: "~/theme.ts" },
    components: {
      include: [
        "Button",
        "Checkbox",
        "Column",
        "ConfirmDialog",
        "DataTable",
        "Dialog",
        "InputNumber",
        "InputText",
        "Listbox",
        "Menu",
        "Message",
        "Popover",
        "ProgressBar",
        "RadioButton",
        "Select",
        "Slider",
        "Splitter",
        "SplitterPanel",
        "Tag",
        "Textarea",
        "Toast",
      ],
    },
    directives: { include: [] },
    composables: { include: ["useConfirm", "useToast"] },
    // Dialogs open at once: their transition would take the focus back from somebody who already types.
    options: { ripple: false, pt: { dialog: { transition: { css: false } } } },
  },
  pwa: {
    strategies: "injectManifest",
    srcDir: "service-worker",
    filename: "sw.ts",
    registerType: "prompt",
    injectRegister: null,
    client: { registerPlugin: false },
    devOptions: { enabled: false },
    injectManifest: {
      globPatterns: ["**/*.{js,css,woff2,wasm,svg}"],
      maximumFileSizeToCacheInBytes: 8_000_000,
      // The page itself is written by the server; each build has its own.
      additionalManifestEntries: [{ url: "/", revision: String(Date.now()) }],
    },
    manifest: {
      name: "Pasear",
      short_name: "Pasear",
      description: "From a story to a decision.",
      theme_color: "#1b2a41",
      background_color: "#f3f5f7",
      display: "standalone",
      start_url: "/",
      icons: [{ src: "/lantern.svg", sizes: "any", type: "image/svg+xml" }],
    },
  },
  // A part that cannot be loaded because the server is away must never reload the page over what was typed.
  // The desk is fetched when somebody is about to open a case, not by merely showing it on the shelf.
  experimental: {
    emitRouteChunkError: "manual",
    defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } },
  },
  nitro: nitro as object,
  hooks: {
    // What another view needs is not fetched with the first page; the service worker does so when all is calm.
    "build:manifest"(manifest) {
      for (const part of Object.values(manifest)) part.dynamicImports = [];
    },
    "nitro:build:public-assets": (made) => press(made.options.output.publicDir),
    // The threads that work plans and summaries out are files of their own beside the server.
    "nitro:init"(made) {
      made.hooks.hook("compiled", async () => {
        const { build } = await import("esbuild");
        const threads = `${made.options.output.serverDir}/threads`;
        await build({
          entryPoints: ["planThread", "summaryThread"].map((name) => folder(`./server/threads/${name}.ts`)),
          outdir: threads,
          outExtension: { ".js": ".mjs" },
          bundle: true,
          platform: "node",
          format: "esm",
          target: "node20",
          logLevel: "error",
          plugins: [ownFolders],
        });
        await copyFile(folder("./node_modules/highs/build/highs.wasm"), `${threads}/highs.wasm`);
      });
    },
  },
  $development: {
    // The development server wants a server entry by name even where nothing is rendered on the server; it is never
    // run.
    vite: {
      environments: { ssr: { build: { rollupOptions: { input: folder("./node_modules/nuxt/dist/app/entry.js") } } } },
    },
  },
  vite: {
    worker: { format: "es", plugins: () => [minified(), zipHere()] },
    plugins: [minified()],
    build: {
      chunkSizeWarningLimit: 1200,
      // The core only computes: what a page does not use of it, the page does not load.
      rollupOptions: { treeshake: { moduleSideEffects: (id) => !id.startsWith(folder("./core/")) } },
    },
  },
  security: {
    nonce: true,
    sri: false,
    removeLoggers: false,
    corsHandler: false,
    xssValidator: false,
    rateLimiter: false,
    requestSizeLimiter: { maxRequestSizeInBytes: 8_000_000, maxUploadFileRequestInBytes: 8_000_000 },
    headers: {
      crossOriginEmbedderPolicy: false,
      contentSecurityPolicy: {
        "default-src": ["'self'"],
        "base-uri": ["'none'"],
        "connect-src": ["'self'"],
        "font-src": ["'self'", "data:"],
        "form-action": ["'self'"],
        "frame-ancestors": ["'none'"],
        "img-src": ["'self'", "data:", "blob:"],
        "object-src": ["'none'"],
        // The compiled solver is WebAssembly; text is never run as code.
        "script-src": ["'self'", "'nonce-{{nonce}}'", "'strict-dynamic'", "'wasm-unsafe-eval'"],
        "script-src-attr": ["'none'"],
        "style-src": styles,
        "style-src-elem": styles,
        "style-src-attr": ["'unsafe-inline'"],
        "worker-src": ["'self'"],
        "upgrade-insecure-requests": false,
      },
      strictTransportSecurity: false,
    },
  },
  eslint: { config: { stylistic: false } },
});
