<script setup lang="ts">
/**
 * Where the parts of the desk stand: story, graph and table above; the entry line; the lists under it. It fits the
 * window, and its borders can be moved; on a narrow screen the parts stand one under another.
 */
const props = defineProps<{
  hasTable: boolean;
  /** the graph, its table and the entry line alone */
  large: boolean;
  /** the lists keep their place, and are not seen yet */
  veiled: boolean;
}>();
const look = useLookStore();
/** The place of the table is always there, because a splitter cannot be given one more later. */
const top = computed(() => (props.hasTable ? look.borders.topWithTable : [...look.borders.top, 0]));
function keepTop(sizes: readonly number[]): void {
  if (props.hasTable) look.keep("topWithTable", sizes);
  else look.keep("top", sizes.slice(0, 2));
}
const named = (label: string) => ({ gutterHandle: { "aria-label": label, "data-border": "" } });
/** How little of a row or a column remains, in percent. */
const LEAST = 15;
/** How far an arrow key moves a border, in pixels. */
const STEP = 10;
</script>

<template>
  <main class="desk" :class="{ large }">
    <slot name="head" />
    <Splitter
      class="rows"
      layout="vertical"
      :gutter-size="1"
      :step="STEP"
      :pt="named('Height of the graph')"
      @resizeend="look.keep('rows', $event.sizes)"
    >
      <SplitterPanel class="above" :size="look.borders.rows[0]" :min-size="LEAST">
        <Splitter
          class="top"
          :class="{ 'with-table': hasTable }"
          :gutter-size="1"
          :step="STEP"
          :pt="named('Width of the story, the graph or the table')"
          @resizeend="keepTop($event.sizes)"
        >
          <SplitterPanel class="story-place" :size="top[0]" :min-size="LEAST">
            <slot name="story" />
          </SplitterPanel>
          <SplitterPanel :size="top[1]" :min-size="LEAST"><slot name="graph" /></SplitterPanel>
          <SplitterPanel class="table-place" :size="top[2]" :min-size="LEAST"><slot name="table" /></SplitterPanel>
        </Splitter>
      </SplitterPanel>
      <SplitterPanel class="below" :size="look.borders.rows[1]" :min-size="LEAST">
        <slot name="entry" />
        <Splitter
          class="lists"
          :class="{ veiled }"
          :gutter-size="1"
          :step="STEP"
          :pt="named('Width of the lists')"
          @resizeend="look.keep('lists', $event.sizes)"
        >
          <SplitterPanel :size="look.borders.lists[0]" :min-size="LEAST"><slot name="givens" /></SplitterPanel>
          <SplitterPanel :size="look.borders.lists[1]" :min-size="LEAST"><slot name="functions" /></SplitterPanel>
          <SplitterPanel :size="look.borders.lists[2]" :min-size="LEAST"><slot name="findings" /></SplitterPanel>
        </Splitter>
      </SplitterPanel>
    </Splitter>
    <slot />
  </main>
</template>

<style scoped>
.desk {
  flex: none;
  display: flex;
  flex-direction: column;
  /* On a low window the page scrolls rather than its parts shrink to nothing. */
  height: max(36rem, calc(100dvh - var(--head-height)));
}
/* What is worked out in a moment appears with all its lines, and moves nothing. */
.veiled {
  visibility: hidden;
}
.desk :is(.p-splitter, .p-splitterpanel) {
  display: flex;
  flex: 1 1 0;
  min-width: 0;
  min-height: 0;
  border: 0;
  border-radius: 0;
  background: none;
  /* What opens within a part lies over its neighbours. */
  overflow: visible;
}
.desk .p-splitterpanel,
.rows {
  flex-direction: column;
}
.desk .p-splitterpanel {
  flex-grow: 1;
}
.desk .p-splitterpanel > :slotted(*) {
  flex: 1;
  min-height: 0;
}
.below > :slotted(.entry) {
  flex: none;
}
/* Each part is painted by itself, so that one that moves leaves the others as they are. */
.desk .p-splitterpanel:not(.above, .below),
.below > :slotted(.entry) {
  isolation: isolate;
}
.story-place,
.above:focus-within,
.top > .p-splitterpanel:focus-within,
.below > :slotted(.entry:focus-within) {
  z-index: 3;
}
.lists > .p-splitterpanel:focus-within {
  z-index: 2;
}
.lists {
  background: var(--paper);
}
.lists .p-splitterpanel > :slotted(*) {
  padding: 0 1.1rem 0.85rem;
  overflow-y: auto;
}
.lists :deep(.panel > .panel-head) {
  position: sticky;
  top: 0;
  z-index: 1;
  padding-top: 0.85rem;
  background: inherit;
}
.top:not(.with-table) > :is(.table-place, :deep(.p-splitter-gutter ~ .p-splitter-gutter)) {
  display: none;
}
/* A border is a hairline that is taken hold of a little beside it too. */
.desk :deep(.p-splitter-gutter) {
  position: relative;
  z-index: 1;
  flex: none;
  background: var(--hairline);
}
.desk :deep(.p-splitter-gutter)::after {
  content: "";
  position: absolute;
  inset: 0 -4px;
}
.rows > :deep(.p-splitter-gutter)::after {
  inset: -4px 0;
}
.desk :deep(.p-splitter-gutter:hover),
.desk :deep(.p-splitter-gutter[data-p-gutter-resizing="true"]) {
  background: var(--jade);
}
.desk :deep(.p-splitter-gutter-handle) {
  width: 100%;
  height: 100%;
  background: none;
}
.desk :deep(.p-splitter-gutter-handle:focus-visible) {
  outline: 2px solid var(--jade);
  outline-offset: 0;
}
.desk.large :is(.story-place, .lists),
.desk.large :deep(.story-place + .p-splitter-gutter),
.desk.large .rows > :deep(.p-splitter-gutter) {
  display: none;
}
.desk.large .above,
.desk.large .below {
  /* over what the splitter writes at the part itself */
  flex-basis: auto !important;
}
.desk.large .below {
  flex-grow: 0;
}
@media (max-width: 900px) {
  .desk {
    height: auto;
    flex: 1;
  }
  .desk :is(.p-splitter, .p-splitterpanel) {
    display: contents;
  }
  .desk :deep(.p-splitter-gutter) {
    display: none;
  }
  .desk .p-splitterpanel > :slotted(*) {
    flex: none;
    border-bottom: 1px solid var(--hairline);
  }
  .lists .p-splitterpanel > :slotted(*) {
    padding: 0.85rem 1.1rem;
    background: var(--paper);
  }
  /* The graph stays in sight; ways to begin are as long as they are. */
  .desk .p-splitterpanel > :slotted(.graph) {
    position: sticky;
    top: 0;
    z-index: 4;
    height: 300px;
  }
  .desk.large .p-splitterpanel > :slotted(.graph) {
    height: 75dvh;
  }
  .desk .p-splitterpanel > :slotted(.values) {
    max-height: 26rem;
  }
}
</style>
