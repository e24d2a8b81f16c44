<script setup lang="ts">
import type { Offer } from "#core/reading";
import type { StoryReading } from "~/composables/useReading";

/** Offers of the story where they will land: in outline, with the words they come from. */
const props = defineProps<{ reading: StoryReading; place: Offer["place"] }>();
const emit = defineEmits<{ change: [typed: string] }>();
const list = computed(() => props.reading.shown.filter((o) => o.place === props.place));
const home = useTemplateRef<HTMLElement>("home");

/** What comes after an offer that is gone has the focus, here or in the next list; else the first that is left. */
async function andNext(at: number, act: () => void): Promise<void> {
  act();
  await nextTick();
  const here = home.value?.querySelectorAll<HTMLElement>("[data-offer]") ?? [];
  const next =
    here[at] ??
    document.querySelector<HTMLElement>("[data-offer]") ??
    document.querySelector<HTMLElement>("#findings-title");
  next?.focus();
}
const take = (o: Offer, at: number) => andNext(at, () => props.reading.take(o));
const leave = (o: Offer, at: number) => andNext(at, () => props.reading.leave(o));
function key(event: KeyboardEvent, o: Offer, at: number): void {
  if (event.target !== event.currentTarget) return;
  if (event.key === "Enter") void take(o, at);
  else if (event.key === "Delete" || event.key === "Backspace") void leave(o, at);
  else if (event.key === "c" && o.typed) emit("change", o.typed);
  else return;
  event.preventDefault();
  event.stopPropagation();
}
</script>

<template>
  <ul v-if="list.length > 0" ref="home" class="offers" :aria-label="`Offered ${place}`">
    <li
      v-for="(o, i) in list"
      :key="o.key"
      class="offer"
      :class="{ lit: reading.pointed === o.key }"
      tabindex="0"
      data-offer
      aria-keyshortcuts="Enter Delete c"
      @keydown="key($event, o, i)"
      @mouseenter="reading.point(o.key)"
      @mouseleave="reading.point(null)"
      @focusin="reading.point(o.key)"
      @focusout="reading.point(null)"
    >
      <p class="head">
        <MathText v-if="o.latex" class="formula" :latex="o.latex" :text="o.name ?? ''" />
        <NameShown v-else-if="o.name" class="name" :name="o.name" />
        <span v-if="!o.latex" class="what">{{ o.label }}</span>
        <b class="value">{{ o.shown }}</b>
      </p>
      <p v-if="o.latex" class="what">{{ o.label }}</p>
      <p class="foot">
        <span class="phrase">{{ o.phrase ? `“${o.phrase}”` : "follows from the others" }}</span>
        <Button link :aria-label="`Take ${o.name ?? o.label}`" @click="take(o, i)">take</Button>
        <Button v-if="o.typed" link :aria-label="`Change ${o.name ?? o.label}`" @click="emit('change', o.typed)">
          change
        </Button>
        <Button link class="leave" :aria-label="`Leave ${o.name ?? o.label}`" @click="leave(o, i)">leave</Button>
      </p>
    </li>
  </ul>
</template>

<style scoped>
.offers {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.5rem;
  margin-top: 0.5rem;
}
.offer {
  padding: 0.4rem 0.7rem 0.45rem;
  border: 1px dashed var(--ink-3);
  border-radius: 8px;
}
.offer.lit {
  border-color: var(--jade);
  background: var(--jade-soft);
}
.head {
  display: flex;
  gap: 0.6rem;
  align-items: baseline;
}
.name {
  flex: none;
  font-family: var(--book);
  font-style: italic;
  font-size: 1.1rem;
}
.formula {
  flex: 1;
  min-width: 0;
  overflow-x: auto;
  overflow-y: hidden;
}
.what {
  flex: 1;
  min-width: 0;
  color: var(--ink-2);
  font-size: 0.93rem;
}
.value {
  font-weight: 600;
  text-align: right;
}
.foot {
  display: flex;
  gap: 0.8rem;
  align-items: baseline;
  margin-top: 0.15rem;
  font-size: 0.87rem;
}
.phrase {
  flex: 1;
  min-width: 0;
  color: var(--ink-2);
}
.leave {
  color: var(--ink-2);
}
</style>
