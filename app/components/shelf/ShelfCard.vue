<script setup lang="ts">
import { NuxtLink } from "#components";
import { TRASH_DAYS, type ShelfCase } from "~/utils/caseApi";

const props = defineProps<{ of: ShelfCase; isChoosing: boolean }>();
const emit = defineEmits<{
  rename: [title: string];
  copy: [];
  another: [];
  tags: [tags: string[]];
  remove: [];
  restore: [];
  clear: [];
}>();
/** ids of the cases that are chosen together */
const chosen = defineModel<string[]>("chosen", { required: true });
const isDeleted = computed(() => props.of.deletedAt !== null);
const daysLeft = computed(() =>
  Math.max(0, TRASH_DAYS - Math.floor((Date.now() - (props.of.deletedAt ?? 0)) / 86_400_000)),
);
const keepTags = (text: string) =>
  emit(
    "tags",
    text
      .split(",")
      .map((t) => t.trim())
      .filter(Boolean),
  );

function when(at: number): string {
  const minutes = Math.round((Date.now() - at) / 60000);
  if (minutes < 1) return "just now";
  if (minutes < 60) return `${minutes} min ago`;
  const sameDay = new Date(at).toDateString() === new Date().toDateString();
  return (sameDay ? TIME : DAY).format(at);
}
const path = (curve: [number, number][]) =>
  curve.map(([x, y], i) => `${i === 0 ? "M" : "L"}${(4 + x * 112).toFixed(1)} ${(66 - y * 58).toFixed(1)}`).join("");
const checkTitle = (title: string) => (title.trim() ? null : "A case needs a title.");
</script>

<script lang="ts">
// It comes when somebody begins to choose: the shelf is light without it.
const ChooseBox = later(() => import("./ChooseBox.vue"));
const DASH = ["", "7 3", "2 3", "6 2 2 2"];
// Made once: of a thousand cards each would take its own time.
const TIME = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });
const DAY = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "long", year: "numeric" });
</script>

<template>
  <li class="card">
    <component
      :is="isDeleted ? 'span' : NuxtLink"
      :to="isDeleted ? undefined : `/case/${of.id}`"
      class="open"
      :aria-label="isDeleted ? undefined : `Open ${of.title}`"
    >
      <svg viewBox="0 0 120 72" class="mini" aria-hidden="true">
        <path d="M4 4V68H116" class="axes" />
        <path
          v-for="(curve, i) in of.summary?.curves ?? []"
          :key="i"
          :d="path(curve)"
          :style="{ stroke: `var(--curve-${i})` }"
          :stroke-dasharray="DASH[i]"
        />
      </svg>
    </component>
    <div class="words">
      <ChooseBox v-if="isChoosing && !isDeleted" :id="of.id" v-model="chosen" class="choose" :title="of.title" />
      <h2>
        <template v-if="isDeleted">{{ of.title }}</template>
        <EditText
          v-else
          plain
          :value="of.title"
          :label="`Title of ${of.title}`"
          :check="checkTitle"
          @keep="emit('rename', $event)"
        />
      </h2>
      <p class="says">{{ of.summary ? of.summary.says || "Nothing is decided yet." : "…" }}</p>
      <p v-if="isDeleted" class="quiet">
        deleted {{ when(of.deletedAt!) }} · kept {{ daysLeft }} more {{ daysLeft === 1 ? "day" : "days" }}
      </p>
      <p v-else class="quiet">
        touched {{ when(of.updatedAt) }} ·
        <EditText
          plain
          :value="of.tags.join(', ')"
          placeholder="tag it"
          :label="`Tags of ${of.title}`"
          @keep="keepTags"
        />
      </p>
      <div v-if="isDeleted" class="ways">
        <Button link @click="emit('restore')">Put it back</Button
        ><Button link @click="emit('clear')">Delete for good</Button>
      </div>
      <div v-else class="ways">
        <NuxtLink :to="`/case/${of.id}`">Open</NuxtLink
        ><Button link title="The same case, to be given other numbers" @click="emit('another')">Another version</Button
        ><Button link @click="emit('copy')">Copy</Button><Button link @click="emit('remove')">Delete</Button>
      </div>
    </div>
  </li>
</template>

<style scoped>
.card {
  /* Of a thousand cards only those near the window are laid out and painted. */
  content-visibility: auto;
  contain-intrinsic-size: auto 145px;
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 1rem;
  padding: 0.9rem;
  background: var(--paper);
  border: 1px solid var(--hairline);
  border-radius: 8px;
}
.mini {
  width: 150px;
  fill: none;
  stroke-width: 2;
  display: block;
}
.axes {
  stroke: var(--ink-3);
  stroke-width: 1;
}
.open {
  border-radius: 6px;
}
.words {
  position: relative;
  display: grid;
  gap: 0.3rem;
  align-content: start;
}
.choose {
  position: absolute;
  top: 0.15rem;
  right: 0;
}
h2 {
  font-size: 1.02rem;
  padding-right: 1.8rem;
}
.says {
  font-family: var(--book);
  line-height: 1.4;
}
.ways {
  display: flex;
  gap: 1rem;
  align-items: baseline;
  font-size: 0.87rem;
  margin-top: 0.2rem;
}
.ways a {
  font-weight: 600;
  text-decoration: none;
}
@media (max-width: 480px) {
  .card {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
