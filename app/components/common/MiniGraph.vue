<script setup lang="ts">
import type { Picture } from "#core/graph";
import { SMALL } from "~/charts/deskLayout";
import { deskOption } from "~/charts/deskOption";
import { lookOf } from "~/charts/look";
import { onePane } from "~/charts/onePane";

/** A small drawing of one pane of a picture: some curves with their ends, and the answers of one question. */
const props = withDefaults(
  defineProps<{
    picture: Picture;
    names: readonly string[];
    question?: string | null;
    label: string;
    height?: number;
  }>(),
  { question: null, height: 130 },
);
const home = useTemplateRef<HTMLElement>("home");
const { redraw } = useChart(
  home,
  () => import("~/charts/chart").then((m) => m.openChart),
  (chart, width, height) => {
    const part = onePane(props.picture, props.names, props.question);
    if (part) chart.show(deskOption(part, width, height, lookOf(), { margin: SMALL }).option);
  },
);
watch(() => [props.picture, props.names, props.question], redraw);
</script>

<template>
  <div ref="home" class="mini" role="img" :aria-label="label" :style="{ height: `${height}px` }" />
</template>

<style scoped>
.mini {
  width: 100%;
  max-width: 26rem;
  font-variant-numeric: normal;
  border: 1px solid var(--hairline);
  border-radius: 6px;
  background: var(--paper);
}
</style>
