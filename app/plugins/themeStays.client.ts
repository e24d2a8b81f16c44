import { ThemeService } from "@primeuix/styled";

/**
 * The theme never changes while the page is open: light and dark are up to the styles. So nobody is told of a change.
 * The library's directives listen for one anew at every update and stop listening once, so that every button that ever
 * was kept the whole view it stood in in memory.
 */
export default defineNuxtPlugin(() => {
  ThemeService.clear();
  ThemeService.on = () => undefined;
});
