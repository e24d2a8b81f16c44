<script setup lang="ts">
import { GONE, type Run } from "#core/brief";

/** A line of the brief: words, mathematics, numbers that follow the case. */
defineProps<{ runs: readonly Run[] }>();
</script>

<template>
  <template v-for="(r, i) in runs" :key="i"
    ><MathText v-if="'latex' in r" :latex="r.latex" :text="r.typed" /><span
      v-else-if="'live' in r"
      :class="r.text === null ? 'gone' : 'live'"
      >{{ r.text ?? GONE }}</span
    ><strong v-else-if="r.bold"
      ><em v-if="r.italic">{{ r.text }}</em
      ><template v-else>{{ r.text }}</template></strong
    ><em v-else-if="r.italic">{{ r.text }}</em
    ><PlainText v-else :text="r.text"
  /></template>
</template>
