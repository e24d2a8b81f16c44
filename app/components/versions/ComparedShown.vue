<script setup lang="ts">
import type { Compared } from "#core/merge";

/** What two states of a case have otherwise: givens, functions and findings side by side. */
const props = defineProps<{ compared: Compared; earlier: string; later: string }>();
const tables = computed(() =>
  [
    { label: "Givens", rows: props.compared.givens },
    { label: "Functions", rows: props.compared.functions },
    { label: "Findings", rows: props.compared.findings },
  ].filter((t) => t.rows.length > 0),
);
const isSame = computed(() => tables.value.length === 0 && props.compared.others.length === 0);
const NONE = "–";
</script>

<template>
  <p v-if="isSame" class="quiet" role="status">Both say the same.</p>
  <RowsTable
    v-for="t in tables"
    :key="t.label"
    :label="t.label"
    :columns="[t.label.toLowerCase(), earlier, later]"
    :words="3"
    :sorts="false"
    :rows="
      t.rows.map((r) => ({
        key: r.name,
        cells: [
          { text: r.what || r.name, title: r.name },
          { text: (r.before ?? NONE).replaceAll('`', '') },
          { text: (r.after ?? NONE).replaceAll('`', '') },
        ],
      }))
    "
  />
  <p v-if="compared.others.length > 0" class="quiet">Otherwise too: {{ compared.others.join(", ") }}.</p>
</template>
