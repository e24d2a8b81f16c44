/**
 * The component library puts its styles in at run time; with the page's nonce the strict style policy lets them pass.
 */
export default defineNuxtPlugin((nuxt) => {
  const nonce = document.querySelector<HTMLScriptElement>("script[nonce]")?.nonce;
  const config = nuxt.vueApp.config.globalProperties.$primevue?.config;
  if (nonce && config) config.csp = { nonce };
});
