/** Whether a dialog was ever asked for: from then on it is on the page, with what it needs; its parts come first then. */
export function useWanted(visible: Readonly<Ref<boolean>>): Readonly<Ref<boolean>> {
  const wanted = ref(visible.value);
  watch(visible, (now) => {
    wanted.value ||= now;
  });
  return wanted;
}
