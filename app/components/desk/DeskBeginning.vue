<script setup lang="ts">
import { ChartScatter, PenLine, SquareFunction } from "@lucide/vue";
import { STARTERS, type Starter } from "#core/starters";

/** Ways into a case that has nothing in it yet. */
const emit = defineEmits<{ story: []; data: []; write: [] }>();
const store = useCaseStore();
const WAYS = [
  { icon: PenLine, name: "A story", says: "paste it, take what it offers", go: () => emit("story") },
  { icon: ChartScatter, name: "Data", says: "paste a table, choose a model", go: () => emit("data") },
  { icon: SquareFunction, name: "A function", says: "write it on the line below", go: () => emit("write") },
];
function begin(starter: Starter): void {
  store.apply({ kind: "begin", starter });
  if (starter.rest.plan) void navigateTo(`/case/${store.id}/plan`);
}
</script>

<template>
  <section class="beginning" aria-labelledby="beginning-title">
    <h2 id="beginning-title" class="panel-title">Begin with</h2>
    <ul class="ways">
      <li v-for="w in WAYS" :key="w.name">
        <Button outlined class="way" @click="w.go">
          <component :is="w.icon" :size="18" aria-hidden="true" />
          <span
            ><b>{{ w.name }}</b> {{ w.says }}</span
          >
        </Button>
      </li>
    </ul>
    <h3 class="panel-title">or take a small case apart</h3>
    <ul class="starters">
      <li v-for="s in STARTERS" :key="s.id">
        <Button text class="starter" @click="begin(s)">
          <b>{{ s.kind }}</b><span>{{ s.about }}</span>
        </Button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.beginning {
  padding: 0.85rem 1.1rem;
  background: var(--paper);
  overflow-y: auto;
  min-width: 0;
}
.ways {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 0.7rem;
  margin: 0.7rem 0 1rem;
}
.way {
  width: 100%;
  height: 100%;
  justify-content: flex-start;
  gap: 0.7rem;
  padding: 0.7rem 0.9rem;
  text-align: left;
  color: var(--ink-2);
}
.way b,
.starter b {
  display: block;
  color: var(--ink);
}
.starters {
  display: grid;
  margin-inline: -0.6rem;
  grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
  gap: 0.15rem 0.3rem;
  margin-top: 0.4rem;
}
.starter {
  display: block;
  width: 100%;
  padding: 0.4rem 0.6rem;
  text-align: left;
  color: var(--ink-2);
  font-size: 0.9rem;
}
@media (max-width: 900px) {
  .ways {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
