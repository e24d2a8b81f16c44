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

<style src="./deskLayout.css" />
