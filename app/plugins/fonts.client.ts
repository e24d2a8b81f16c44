/** A page that waits longer than this for its letters starts with others, in ms. */
const PATIENCE = 500;

/** The page starts with its own letters: others, put in their place a moment later, would move every line. */
export default defineNuxtPlugin(async () => {
  const wanted = ['1rem "Atkinson Hyperlegible Next Variable"', '1rem "Literata Variable"'];
  const loaded = Promise.all(wanted.map((font) => document.fonts.load(font))).catch(() => null);
  await Promise.race([loaded, new Promise((resolve) => setTimeout(resolve, PATIENCE))]);
});
