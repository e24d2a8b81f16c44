<script setup lang="ts">
import { choicesFor, type LiveChoice } from "#core/brief";

/** A number of the case is looked for by its name or by what it is, and chosen by Enter or a press. */
const props = defineProps<{ choices: readonly LiveChoice[] }>();
const emit = defineEmits<{ choose: [choice: LiveChoice]; leave: [] }>();
const visible = ref(false);
const typed = ref("");
const chosen = ref<LiveChoice | null>(null);
const shown = computed(() => choicesFor(typed.value, props.choices));

function open(): void {
  typed.value = "";
  chosen.value = null;
  visible.value = true;
}
function take(choice: LiveChoice | null | undefined): void {
  if (!choice) return;
  chosen.value = choice;
  visible.value = false;
}
// The dialog has given the focus back by then, and the words can take it.
const closed = () => (chosen.value ? emit("choose", chosen.value) : emit("leave"));
defineExpose({ open });
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    header="Number of the case"
    :style="{ width: '34rem', maxWidth: '96vw' }"
    @after-hide="closed"
  >
    <InputText
      v-model="typed"
      fluid
      autofocus
      aria-label="Part of its name or of the number"
      placeholder="part of its name"
      @keydown.enter.prevent="take(shown[0])"
    />
    <Listbox
      :model-value="null"
      :options="[...shown]"
      option-label="name"
      class="numbers"
      empty-message="No number of the case has these words."
      aria-label="Numbers of the case"
      scroll-height="16rem"
      @update:model-value="take"
    >
      <template #option="{ option }: { option: LiveChoice }"
        ><span class="name">{{ option.name }}</span
        ><strong>{{ option.text }}</strong></template
      >
    </Listbox>
  </Dialog>
</template>

<style scoped>
.numbers {
  margin-top: 0.6rem;
}
.numbers :deep(li) {
  display: flex;
  justify-content: space-between;
  gap: 1.2rem;
}
.numbers strong {
  flex: none;
  max-width: 55%;
}
</style>
