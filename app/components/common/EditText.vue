<script setup lang="ts">
/**
 * A text that is changed where it stands: Enter or a click opens it, Enter keeps, Esc leaves. A text that cannot be
 * used stays open with the reason.
 */
const props = withDefaults(
  defineProps<{
    value: string;
    label: string;
    /** returns what is wrong with a text, or null; later where it has to be fetched first */
    check?: (text: string) => string | null | Promise<string | null>;
    placeholder?: string;
    options?: readonly { value: string; text: string }[] | null;
    plain?: boolean;
  }>(),
  { check: undefined, placeholder: "", options: null, plain: false },
);
const emit = defineEmits<{ keep: [text: string]; typing: [text: string] }>();
/** What stands in a `field` slot takes the focus by itself. */
const slots = defineSlots<{
  default?: () => unknown;
  field?: (line: {
    text: string;
    describedBy: string;
    typed: (text: string) => void;
    keep: () => void;
    leave: () => void;
    focused: (now: boolean) => void;
  }) => unknown;
}>();

const editing = ref(false);
const text = ref("");
const problem = ref<string | null>(null);
const field = useTemplateRef<HTMLInputElement | HTMLSelectElement>("field");
const shown = useTemplateRef<HTMLButtonElement>("shown");
const problemId = useId();

async function open(): Promise<void> {
  text.value = props.value;
  problem.value = null;
  editing.value = true;
  await nextTick();
  if (slots.field) return;
  field.value?.focus();
  if (field.value instanceof HTMLInputElement) field.value.select();
}
function focusLost(now: boolean): void {
  if (!now) keep(false);
}
async function close(refocus: boolean): Promise<void> {
  editing.value = false;
  problem.value = null;
  await nextTick();
  if (refocus) shown.value?.focus();
}
function keep(refocus: boolean): void {
  if (!editing.value) return;
  if (text.value.trim() === props.value.trim()) {
    void close(refocus);
    return;
  }
  const typed = text.value;
  const told = props.check?.(typed) ?? null;
  if (told instanceof Promise) void told.then((late) => settle(typed, late, refocus));
  else settle(typed, told, refocus);
}
function settle(typed: string, trouble: string | null, refocus: boolean): void {
  // What was typed on meanwhile waits for its own Enter.
  if (!editing.value || text.value !== typed) return;
  problem.value = trouble;
  if (trouble) return;
  emit("keep", typed);
  void close(refocus);
}
function typing(): void {
  problem.value = null;
  emit("typing", text.value);
}
defineExpose({ open });
</script>

<template>
  <span class="edit-text">
    <button
      v-if="!editing"
      ref="shown"
      type="button"
      class="shown"
      :class="{ plain }"
      :aria-label="`${label}: ${value || placeholder}. Change`"
      @click="open"
    >
      <slot>{{ value || placeholder }}</slot>
    </button>
    <template v-else>
      <select
        v-if="options"
        ref="field"
        v-model="text"
        :aria-label="label"
        @change="keep(true)"
        @keydown.esc.stop="close(true)"
        @blur="keep(false)"
      >
        <option v-for="o in options" :key="o.value" :value="o.value">{{ o.text }}</option>
      </select>
      <span v-else-if="$slots.field" class="code">
        <slot
          name="field"
          :text="text"
          :described-by="problemId"
          :typed="(now: string) => (text = now)"
          :keep="() => keep(true)"
          :leave="() => close(true)"
          :focused="focusLost"
        />
      </span>
      <input
        v-else
        ref="field"
        v-model="text"
        type="text"
        :aria-label="label"
        :size="Math.max(4, text.length + 1)"
        spellcheck="false"
        autocomplete="off"
        :aria-invalid="problem !== null"
        :aria-describedby="problem ? problemId : undefined"
        @input="typing"
        @keydown.enter.stop.prevent="keep(true)"
        @keydown.esc.stop="close(true)"
        @blur="keep(false)"
      />
      <ProblemNote v-if="problem" :id="problemId" class="why" role="alert" :text="problem" />
    </template>
  </span>
</template>

<style scoped>
.shown {
  border: 0;
  background: none;
  padding: 0;
  margin: 0;
  text-align: inherit;
  cursor: text;
  border-bottom: 1.5px dashed var(--ink-3);
  line-height: 1.25;
}
.shown.plain {
  border-bottom-color: transparent;
}
.shown:hover {
  border-bottom-color: var(--jade);
  color: var(--jade);
}
input,
select {
  font: inherit;
  color: inherit;
  background: var(--paper);
  border: 1px solid var(--jade);
  border-radius: 4px;
  padding: 0 4px;
  max-width: 100%;
}
.code {
  display: block;
  border: 1px solid var(--jade);
  border-radius: 4px;
  background: var(--paper);
  padding: 0 6px;
  min-width: 14rem;
}
.why {
  margin-top: 2px;
  font-family: var(--face);
  font-weight: 400;
}
</style>
