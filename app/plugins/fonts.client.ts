/** A page that waits longer than this for its letters starts with others, in ms. */
const PATIENCE = 500;
/** What the page's root is marked with while it shows others. */
const OTHERS = "other-letters";

/**
 * The page starts with its own letters. Where they come late it keeps to others: put in their place a moment later they
 * would move every line under the eye. The next page has them.
 */
export default defineNuxtPlugin(async (nuxt) => {
  const wanted = ['1rem "Atkinson Hyperlegible Next Variable"', '1rem "Literata Variable"'];
  let areLoaded = false;
  const loading = Promise.all(wanted.map((font) => document.fonts.load(font)))
    .then(() => void (areLoaded = true))
    .catch(() => null);
  await Promise.race([loading, new Promise((resolve) => setTimeout(resolve, PATIENCE))]);
  const mark = document.documentElement.classList;
  mark.toggle(OTHERS, !areLoaded);
  // Told when a page has come and is not painted yet.
  nuxt.hook("page:finish", () => void (areLoaded && mark.remove(OTHERS)));
});
