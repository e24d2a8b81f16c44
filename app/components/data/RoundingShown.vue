<script setup lang="ts">
import type { CaseFile } from "#core/model";
import type { Columns } from "~/composables/useColumns";
import type { RankedCard, RoundingLine } from "#core/choice";

/** What copying rounded constants by hand would do, on the rows and to the answers that stand on the model. */
const props = defineProps<{ document: CaseFile; columns: Columns; card: RankedCard; name: string }>();
const worker = useDataWorker();
const digits = ref(3);
const isOpen = ref(false);
const lines = shallowRef<readonly RoundingLine[]>([]);
const rounded = computed(() => props.card.rounded.find((r) => r.digits === digits.value) ?? null);
const isWorse = computed(() => (rounded.value?.off ?? 0) > (props.card.residualSd ?? Infinity));

/** The function of the case that is this model, if one is. */
const usedAs = computed(
  () =>
    (props.document.functions ?? []).find(
      ({ by }) =>
        by.kind === "fit" &&
        by.data === props.columns.table?.name &&
        by.y === props.columns.y &&
        by.model === props.card.family &&
        (by.method ?? "direct") === props.card.method,
    )?.name ?? null,
);
watch([isOpen, digits, usedAs, () => props.document], async () => {
  if (!isOpen.value || usedAs.value === null) {
    lines.value = [];
    return;
  }
  const source = toRaw(props.document);
  try {
    const reply = await worker.ask<"rounding">({ kind: "rounding", source, name: usedAs.value, digits: digits.value });
    lines.value = reply?.lines ?? lines.value;
  } catch {
    lines.value = [];
  }
});
</script>

<template>
  <details @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary>What rounding would do</summary>
    <div class="rounding">
      constants to
      <Select v-model="digits" size="small" aria-label="Digits" :options="card.rounded.map((r) => r.digits)" />
      digits
    </div>
    <template v-if="rounded">
      <p class="quiet">{{ name }}({{ columns.x }}) = {{ rounded.text }}</p>
      <ProblemNote v-if="isWorse">
        On the rows it would be off by up to {{ columns.yOut(rounded.off) }}, more than the model itself misses.
      </ProblemNote>
      <p v-else class="quiet">On the rows it would be off by up to {{ columns.yOut(rounded.off) }}.</p>
    </template>
    <ul v-if="lines.length > 0">
      <li v-for="l in lines" :key="l.id" :class="l.full === l.rounded ? 'quiet' : 'problem'">
        {{ l.id }}: <PlainText :text="l.full" /><template v-if="l.full !== l.rounded">
          Rounded: <PlainText :text="l.rounded" /></template
        ><template v-else> The same when rounded.</template>
      </li>
    </ul>
    <p v-else class="quiet">Once it is used and asked about on the desk, its answers are compared here.</p>
  </details>
</template>
