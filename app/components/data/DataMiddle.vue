<script setup lang="ts">
import { formatCount, formatNumber } from "#core/explain";
import { dataPicture } from "~/charts/dataPicture";
import type { Columns } from "~/composables/useColumns";
import type { FunctionOfData } from "~/composables/useFunctionOfData";
import type { Models } from "~/composables/useModels";
import { SIDES, type useSplit } from "~/composables/useSplit";

/** The graph of the chosen columns with their models, and where the data are split. */
const props = defineProps<{
  columns: Columns;
  models: Models;
  split: ReturnType<typeof useSplit>;
  made: FunctionOfData;
}>();
const columns = props.columns;
const { split } = props;
const at = split.at;

const picture = computed(() => {
  const { table, rows, x, y, counting } = columns;
  if (!table || !rows) return null;
  const sides = SIDES.map((side) => ({ key: `side ${side}`, points: split.curveOf(side) }));
  const { cards, chosen, pointed } = props.models;
  return dataPicture({
    table,
    x,
    y,
    rows,
    counting,
    cards,
    chosen,
    pointed,
    split: at.value,
    sides: at.value === null ? [] : sides.filter((s) => s.points.length > 0),
  });
});
const described = computed(() => {
  if (!columns.rows) return "No data";
  const model = props.models.card ? `, with the ${props.models.card.family} model` : "";
  const broken = at.value === null ? "" : `, split at ${at.value}`;
  return `${columns.y} over ${columns.x}: ${columns.rows.x.length} rows${model}${broken}.`;
});
/** A jump this small beside the value at the break is told as none: rounding of the fits. */
const JOINED = 1e-6;
const jumpWords = computed(() => {
  const jump = split.jump.value;
  if (jump === null) return null;
  if (Math.abs(jump) < JOINED * Math.abs(split.valueOf("left", at.value!))) return "The sides are joined at the break.";
  const by = Math.abs(jump);
  // 35.75 people are about 36; less than one of them is told as it is.
  const size = by < 1 ? columns.yOut(by) : formatCount(by, columns.unitOf(columns.y), 4);
  return `It ${jump > 0 ? "jumps up" : "drops"} by ${size} there.`;
});
const canUse = computed(() => {
  const free = props.made.problem === null;
  return { left: free && split.cardOf("left") !== null, right: free && split.cardOf("right") !== null };
});
const isOther = (than: string) => (c: { name: string }) => c.name === than;
</script>

<template>
  <section class="panel middle" aria-labelledby="data-graph-title">
    <div class="panel-head">
      <h2 id="data-graph-title" class="panel-title">Graph <span class="caption">shaded: beyond the data</span></h2>
      <span class="tools"
        ><Select
          v-model="columns.y"
          size="small"
          aria-label="Column read off"
          :options="columns.table!.columns"
          option-label="name"
          option-value="name"
          :option-disabled="isOther(columns.x)"
        />
        over
        <Select
          v-model="columns.x"
          size="small"
          aria-label="Column of inputs"
          :options="columns.table!.columns"
          option-label="name"
          option-value="name"
          :option-disabled="isOther(columns.y)"
        /><Button v-if="at === null" link :disabled="!columns.rows || columns.rows.x.length < 4" @click="split.begin()">
          Split here</Button
        ><Button v-else link @click="at = null">One piece</Button></span
      >
    </div>
    <p v-if="models.suggested.length > 0 && at === null" class="hint">
      The rows turn near {{ columns.x }} = {{ models.suggested.map((b) => formatNumber(b)).join(" and ") }}.
      <template v-if="models.splitCard === null">
        <Button link @click="at = models.suggested[0]!"> Split at {{ formatNumber(models.suggested[0]!) }} </Button>
        <Button v-if="models.suggested.length === 2" link :disabled="made.problem !== null" @click="made.useThree">
          Use {{ made.typed }}({{ columns.x }}) in three pieces
        </Button>
      </template>
    </p>
    <DataGraph v-if="picture" :picture="picture" :described="described" @split="at = $event" />
    <p v-else class="quiet nothing">Rows with a number in both columns appear here.</p>
    <SplitPanel
      v-if="at !== null"
      v-model:at="at"
      v-model:owner="split.owner.value"
      v-model:left="split.chosen.left"
      v-model:right="split.chosen.right"
      :x="columns.x"
      :name="made.typed"
      :cards="split.cards.value"
      :jump="jumpWords"
      :meeting="split.meeting.value"
      :can-use="canUse"
      @use="made.useBoth"
      @use-side="made.useSide"
    />
  </section>
</template>

<style scoped>
.tools {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  font-size: 0.87rem;
  color: var(--ink-2);
}
.hint {
  font-size: 0.9rem;
  padding: 0.2rem 0;
}
.nothing {
  padding: 2rem 0;
}
</style>
