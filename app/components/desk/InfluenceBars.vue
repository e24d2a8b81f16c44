<script setup lang="ts">
import type { InfluenceReport } from "#core/desk";

/** Each given moved by 10 % both ways: how the answer moves, as bars on one scale, the strongest first. */
const props = defineProps<{ report: InfluenceReport | null; state: "closed" | "working" | "ready" | "failed" }>();
const reach = computed(() =>
  Math.max(...(props.report?.rows ?? []).map((r) => (Number.isFinite(r.change) ? r.change : 0)), Number.MIN_VALUE),
);
/** Share of half the width, signed; an answer that goes away has no bar. */
const share = (value: number | null) =>
  value === null || !props.report ? null : (value - props.report.base) / reach.value;
const bar = (value: number | null) => {
  const s = share(value);
  return s === null ? null : { left: `${50 + Math.min(0, s) * 50}%`, width: `${Math.abs(s) * 50}%` };
};
</script>

<template>
  <div class="influence" role="group" aria-label="What matters most" :aria-busy="state === 'working'">
    <p v-if="state === 'working' && !report" class="quiet">working it out …</p>
    <ProblemNote v-else-if="state === 'failed'">The calculation stopped; try again.</ProblemNote>
    <p v-else-if="!report" class="quiet">This finding has no single number to weigh.</p>
    <p v-else-if="report.rows.length === 0" class="quiet">No given feeds this finding.</p>
    <template v-else>
      <p class="quiet">Now {{ report.baseText }}. With each given 10 % smaller (upper bar) or larger (lower bar):</p>
      <ol>
        <li v-for="r in report.rows" :key="r.given">
          <span class="given" :title="r.label">{{ r.given }}</span>
          <span class="bars" aria-hidden="true"
            ><i class="zero" /><i v-if="bar(r.less)" class="less" :style="bar(r.less)!" /><i
              v-if="bar(r.more)"
              class="more"
              :style="bar(r.more)!"
          /></span>
          <span class="words">{{
            r.change === 0 ? "no change" : `− 10 %: ${r.lessText} · + 10 %: ${r.moreText}`
          }}</span>
        </li>
      </ol>
    </template>
  </div>
</template>

<style scoped>
.influence {
  border-top: 1px solid var(--hairline);
  padding-top: 0.4rem;
  display: grid;
  gap: 0.4rem;
}
ol {
  display: grid;
  gap: 0.35rem;
}
li {
  display: grid;
  grid-template-columns: 2.4rem minmax(0, 1fr);
  column-gap: 0.5rem;
  align-items: center;
  font-size: 0.85rem;
}
.given {
  font-family: var(--book);
  font-style: italic;
  font-size: 1rem;
  overflow: hidden;
  text-overflow: ellipsis;
}
.bars {
  position: relative;
  height: 14px;
  background: var(--panel);
  border-radius: 3px;
}
.bars i {
  position: absolute;
}
.zero {
  left: 50%;
  top: -2px;
  bottom: -2px;
  width: 1px;
  background: var(--ink-3);
}
.less {
  top: 1px;
  height: 5px;
  background: var(--curve-6);
  border-radius: 2px;
}
.more {
  bottom: 1px;
  height: 5px;
  background: var(--jade);
  border-radius: 2px;
}
.words {
  grid-column: 2;
  color: var(--ink-2);
}
</style>
