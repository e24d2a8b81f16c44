<script setup lang="ts">
import { beyondWords, determinationWords, formatNumber, growthWords } from "#core/explain";
import { latexName } from "#core/formula";
import type { Unit } from "#core/units";
import type { RowsTableRow } from "~/components/common/RowsTable.vue";
import { missWords, type RankedCard, type SplitCard } from "#core/choice";

const props = defineProps<{
  cards: readonly RankedCard[];
  chosen: string;
  x: string;
  name: string;
  input: Unit | null;
  output: Unit | null;
  split: SplitCard | null;
  /** the function's name can be used */
  isFree: boolean;
}>();
const emit = defineEmits<{ choose: [key: string]; point: [key: string | null]; split: [] }>();
const fitted = computed(() => props.cards.filter((c) => c.reason === null));
const refused = computed(() => props.cards.filter((c) => c.reason !== null));
const NAMES: Partial<Record<RankedCard["family"], string>> = {
  own: "own formula",
  proportional: "through the origin",
};
const title = (c: RankedCard) => {
  const hasWays = c.family === "power" || c.family === "exponential";
  const way = c.method === "logs" ? ", on logarithms" : ", direct";
  return `${NAMES[c.family] ?? c.family}${hasWays ? way : ""}`;
};
const growth = (c: RankedCard) => (c.family === "exponential" ? growthWords(c.constants[1]!.value, props.input) : null);
const constantRows = (c: RankedCard): RowsTableRow[] =>
  c.constants.map((k) => ({
    key: k.name,
    cells: [
      { text: k.name },
      { text: formatNumber(k.value, 10) },
      { text: k.standardError === null ? "not known" : formatNumber(k.standardError, 3) },
    ],
  }));
const miss = (c: RankedCard) => missWords(c.leaveOneOut, props.output);
function key(event: KeyboardEvent, i: number): void {
  const step = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
  if (!step) return;
  const next = fitted.value[i + step];
  if (!next) return;
  event.preventDefault();
  event.stopPropagation();
  emit("choose", cardKey(next));
  void nextTick(() => document.querySelector<HTMLElement>(`[data-model="${cardKey(next)}"]`)?.focus());
}
</script>

<template>
  <div role="radiogroup" aria-label="Models, best first" class="cards">
    <template v-for="(c, i) in fitted" :key="cardKey(c)">
      <SplitCandidate
        v-if="split?.after === i"
        :split="split"
        :name="name"
        :x="x"
        :output="output"
        :is-free="isFree"
        @take="emit('split')"
      />
      <div
        role="none"
        class="card"
        :class="{ chosen: cardKey(c) === chosen }"
        @click="emit('choose', cardKey(c))"
        @mouseenter="emit('point', cardKey(c))"
        @mouseleave="emit('point', null)"
      >
        <div
          role="radio"
          class="choice"
          :aria-checked="cardKey(c) === chosen"
          :aria-label="`${title(c)}: ${name}(${x}) = ${c.text}`"
          :tabindex="cardKey(c) === chosen ? 0 : -1"
          :data-model="cardKey(c)"
          @keydown.enter.prevent="emit('choose', cardKey(c))"
          @keydown.space.prevent="emit('choose', cardKey(c))"
          @keydown="key($event, i)"
          @focus="emit('point', cardKey(c))"
          @blur="emit('point', null)"
        >
          <p class="head">
            <span class="formula"
              ><MathText
                :latex="`${latexName(name)}(${latexName(x)}) = ${c.latex}`"
                :text="`${name}(${x}) = ${c.text}`" /></span
            ><Tag class="family" :value="title(c)" />
          </p>
          <p class="quiet">
            <template v-if="miss(c) !== null"
              >typical miss <b>{{ miss(c) }}</b></template
            ><template v-else>goes through every row it must</template
            ><template v-if="c.r2 !== null"> · {{ determinationWords(c.r2) }}</template
            ><template v-if="c.tied"> · as good as the one above</template>
          </p>
          <p v-if="growth(c)" class="quiet">{{ growth(c) }}</p>
          <template v-for="b in c.beyond.map((found) => beyondWords(found, x, input, output))" :key="b.text">
            <ProblemNote v-if="b.warns">{{ b.text }}</ProblemNote>
            <p v-else class="quiet">{{ b.text }}</p>
          </template>
          <ProblemNote v-if="c.fewRuns">misses keep their sign for long: the shape does not fit</ProblemNote>
        </div>
        <div v-if="cardKey(c) === chosen" @click.stop @keydown.stop><slot name="chosen" /></div>
        <details v-if="cardKey(c) === chosen && c.working.length > 0" @click.stop @keydown.stop>
          <summary>working</summary>
          <WorkingSteps :steps="c.working" />
        </details>
        <details v-if="cardKey(c) === chosen" @click.stop @keydown.stop>
          <summary>constants</summary>
          <RowsTable
            label="Constants"
            :sorts="false"
            :columns="['constant', 'value', 'standard error']"
            :rows="constantRows(c)"
          />
          <p class="quiet">
            {{ c.n }} rows<template v-if="c.residualSd !== null">
              · residual standard deviation {{ formatNumber(c.residualSd, 4) }}</template
            ><template v-if="c.aicc !== null"> · AICc {{ formatNumber(c.aicc, 4) }}</template> · sum of squares
            {{ formatNumber(c.rss, 5) }}
          </p>
        </details>
      </div>
    </template>
    <details v-if="refused.length > 0" class="refused">
      <summary>{{ refused.length }} cannot be fitted</summary>
      <ul>
        <li v-for="c in refused" :key="cardKey(c)" class="quiet">
          <b>{{ title(c) }}</b>: <PlainText :text="c.reason!" />
        </li>
      </ul>
    </details>
  </div>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.6rem;
}
.card {
  border: 1px solid var(--hairline);
  border-radius: 8px;
  padding: 0.5rem 0.75rem;
  background: var(--paper);
  cursor: pointer;
  display: grid;
  gap: 0.15rem;
}
.choice {
  display: grid;
  gap: 0.15rem;
}
.card:hover {
  border-color: var(--ink-3);
}
.card.chosen {
  border-color: var(--jade);
  box-shadow: 0 0 0 1px var(--jade);
}
.head {
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
  align-items: start;
}
.formula {
  overflow-x: auto;
  overflow-y: hidden;
  padding: 2px 0;
  min-width: 0;
}
.family {
  white-space: nowrap;
}
.chosen .family {
  background: var(--jade-soft);
  color: var(--jade);
}
b {
  color: var(--ink);
}
.refused ul {
  display: grid;
  gap: 0.2rem;
  padding-top: 0.3rem;
}
</style>
