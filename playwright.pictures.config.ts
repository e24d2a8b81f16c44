import { defineConfig } from "@playwright/test";
import base from "./playwright.config";

/** `npm run pictures`: takes the pictures of the README from the production build. */
export default defineConfig({ ...base, testDir: "tests/pictures", projects: [{ name: "pictures" }] });
