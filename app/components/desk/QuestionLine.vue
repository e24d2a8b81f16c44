<script setup lang="ts">
import { changeSlot } from "#core/story";
import { buildModel, type Question } from "#core/model";
import { ROUNDINGS, type QuestionPart, type Slot } from "#core/explain";

/**
 * A question as a sentence; each underlined part is changed where it stands. `names` says which names there are, so
 * that the choices follow them.
 */
const props = defineProps<{ q: Question; parts: readonly QuestionPart[]; names: string }>();
const emit = defineEmits<{ keep: [slot: Slot, text: string] }>();
const store = useCaseStore();

const shown = computed(() =>
  props.parts.map((part) => ({
    ...part,
    value: part.slot ? present(props.q, part.slot, part.text) : "",
    options: part.slot ? optionsOf(part.slot, props.names) : null,
    check: part.slot ? check(part.slot) : undefined,
  })),
);

function optionsOf(slot: Slot, _names: string): { value: string; text: string }[] | null {
  const named = (list: readonly { name: string; label?: string | undefined }[] | undefined) =>
    (list ?? []).map((row) => ({ value: row.name, text: row.label ? `${row.label} ${row.name}` : row.name }));
  if (slot === "function" || slot === "functions.0" || slot === "functions.1") return named(store.document?.functions);
  if (slot === "given") return named(store.document?.givens);
  if (slot === "relation")
    return [
      [">=", "at least"],
      [">", "above"],
      ["<=", "at most"],
      ["<", "below"],
    ].map(([value, text]) => ({ value: value!, text: text! }));
  if (slot === "round") return ROUNDINGS.map((r) => ({ value: r.value, text: r.text }));
  if (slot === "ask") return ["greatest", "least"].map((w) => ({ value: w, text: w }));
  return null;
}
/** What stands in the field when a part is opened: the name, the sign or the bare numbers. */
function present(q: Question, slot: Slot, shown: string): string {
  const text = (a: unknown): string =>
    typeof a === "object" && a !== null
      ? `${"pick" in a && a.pick ? `${String(a.pick)} ` : ""}answer of ${(a as { of: string }).of}`
      : String(a ?? "");
  if (slot === "functions.0" || slot === "functions.1")
    return "functions" in q ? (q.functions[slot === "functions.1" ? 1 : 0] ?? "") : "";
  if (slot === "range")
    return q.from === undefined && q.to === undefined
      ? shown.replace(/\s*[^\d…∞−.,]+$/u, "").replace(/^.*=\s*/, "")
      : `${text(q.from)} … ${text(q.to)}`;
  if (slot === "between" && "between" in q && q.between) return q.between.map(text).join(" … ");
  if (slot === "givenRange" && q.ask === "given") return q.range.map(text).join(" … ");
  return text((q as unknown as Record<string, unknown>)[slot]);
}
const check =
  (slot: Slot) =>
  (text: string): string | null => {
    const result = changeSlot(props.q, slot, text, buildModel(store.document!));
    return result.ok ? null : result.message;
  };
</script>

<template>
  <p class="question">
    <template v-for="(part, i) in shown" :key="i"
      ><EditText
        v-if="part.slot"
        :value="part.value"
        :label="`Part of the question: ${part.text}`"
        :options="part.options"
        :check="part.check"
        @keep="emit('keep', part.slot, $event)"
        >{{ part.text }}</EditText
      ><template v-else>{{ part.text }}</template></template
    >
    <span class="id">{{ q.id }}</span>
  </p>
</template>

<style scoped>
.question {
  font-size: 0.93rem;
  color: var(--ink-2);
  padding-right: 1.4rem;
  line-height: 1.5;
}
.id {
  color: var(--ink-3);
  font-size: 0.8rem;
  margin-left: 0.5rem;
}
</style>
