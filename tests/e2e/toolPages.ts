import type { Page } from "@playwright/test";

export const row = (page: Page, name: string) => page.locator(`[data-name="${name}"]`);
