/** Whether a dialog was ever asked for: its parts come with the first time, and stay on the page from then on. */
export function useWanted(visible: Readonly<Ref<boolean>>): Readonly<Ref<boolean>> {
  const wanted = ref(visible.value);
  watch(visible, (now) => {
    wanted.value ||= now;
  });
  return wanted;
}
