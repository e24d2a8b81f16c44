<script setup lang="ts">
import type { FunctionMap } from "~/utils/functionMap";

/** How the functions feed each other, small; pointing at one lights its trail. */
const props = defineProps<{
  names: readonly string[];
  links: readonly (readonly [string, string])[];
  lit: ReadonlySet<string> | null;
  colours: Readonly<Record<string, number>>;
}>();
const emit = defineEmits<{ point: [key: string | null]; choose: [name: string] }>();
const map = shallowRef<FunctionMap | null>(null);
watch(
  () => [props.names.join(" "), props.links],
  async () => {
    const { mapOf } = await import("~/utils/functionMap");
    map.value = mapOf(props.names, props.links);
  },
  { immediate: true },
);
const words = computed(() => {
  const own = new Set(props.names.map((n) => `function:${n}`));
  const parts = props.names.flatMap((n) => {
    const from = props.links
      .filter(([a, b]) => b === `function:${n}` && own.has(a) && a !== b)
      .map(([a]) => a.slice(9));
    return from.length > 0 ? [`${n} is made of ${from.join(" and ")}`] : [];
  });
  return parts.length > 0 ? `${parts.join("; ")}.` : "No function is made of another.";
});
const faded = (key: string) => (props.lit && !props.lit.has(key) ? 0.25 : 1);
</script>

<template>
  <figure v-if="map" class="map">
    <svg
      :viewBox="`0 0 ${map.width} ${map.height}`"
      :style="{ maxWidth: `${map.width}px` }"
      role="img"
      :aria-label="words"
    >
      <path
        v-for="e in map.edges"
        :key="`${e.from} ${e.to}`"
        :d="e.path"
        class="edge"
        :opacity="Math.min(faded(e.from), faded(e.to))"
      />
      <g
        v-for="n in map.nodes"
        :key="n.key"
        class="node"
        :opacity="faded(n.key)"
        @mouseenter="emit('point', n.key)"
        @mouseleave="emit('point', null)"
        @click="emit('choose', n.name)"
      >
        <rect
          :x="n.x - n.width / 2"
          :y="n.y - 12"
          :width="n.width"
          height="24"
          rx="7"
          :stroke="`var(--curve-${(colours[n.name] ?? 0) % 7})`"
        />
        <text :x="n.x" :y="n.y + 5" text-anchor="middle">{{ n.name }}</text>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
.map {
  padding: 0.3rem 0 0.5rem;
  overflow-x: auto;
}
svg {
  width: 100%;
  min-width: 12rem;
  height: auto;
  display: block;
}
.edge {
  fill: none;
  stroke: var(--ink-3);
  stroke-width: 1.2;
}
rect {
  fill: var(--paper);
  stroke-width: 1.6;
}
text {
  font-size: 14px;
  font-family: var(--book);
  font-style: italic;
  fill: var(--ink);
}
.node {
  cursor: pointer;
}
</style>
