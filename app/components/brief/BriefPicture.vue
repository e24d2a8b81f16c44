<script setup lang="ts">
import type { BriefPicture } from "#core/brief";
import { pictureSvg } from "~/brief/briefPictures";
import type { Sheet } from "~/paper/pictureFile";

/** A picture of the brief with its caption, which is changed where it stands. */
const props = defineProps<{ block: BriefPicture; sheet: Sheet | null; keep: (key: string, caption: string) => void }>();
const svg = computed(() => (props.sheet ? pictureSvg(props.sheet) : ""));
</script>

<template>
  <figure :aria-label="block.described">
    <!-- Drawn by the chart library from our own option, never from what somebody typed as markup. -->
    <!-- eslint-disable-next-line vue/no-v-html -->
    <div v-if="svg" class="drawn" aria-hidden="true" v-html="svg" />
    <p v-else class="quiet">The picture is being drawn …</p>
    <figcaption>
      <EditText :value="block.caption" label="Caption" @keep="keep(block.key, $event)">{{ block.caption }}</EditText>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 1rem 0;
  text-align: center;
  break-inside: avoid;
}
.drawn {
  background: #ffffff;
}
.drawn :deep(svg) {
  display: block;
  margin: 0 auto;
  max-width: 100%;
  height: auto;
}
figcaption {
  color: var(--ink-2);
  font-family: var(--face);
  font-size: 0.92rem;
  margin-top: 0.2rem;
}
</style>
