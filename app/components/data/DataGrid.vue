<script setup lang="ts">
import { formatNumber } from "#core/explain";
import { readCell } from "#core/data";
import type { DataTable } from "#core/model";

/**
 * The rows of a table as a grid: only those in sight are drawn. Arrows move, typing replaces, Enter goes down, Tab to
 * the right, Delete empties.
 */
const props = defineProps<{ table: DataTable; index: number; reads: (x: number) => string | null }>();
const store = useCaseStore();
const HEIGHT = 32;
const home = useTemplateRef<HTMLElement>("home");
const top = ref(0);
const view = ref(480);
const at = reactive({ row: 0, column: 0 });
const editing = ref<string | null>(null);
const wrong = ref<string | null>(null);
const asking = ref<{ row: number; reason: string } | null>(null);

/** One empty row stands below the last, to write on. */
const count = computed(() => props.table.rows.length + 1);
const first = computed(() => Math.max(0, Math.floor(top.value / HEIGHT) - 8));
const last = computed(() => Math.min(count.value, first.value + Math.ceil(view.value / HEIGHT) + 16));
const sight = computed(() => Array.from({ length: Math.max(0, last.value - first.value) }, (_, i) => first.value + i));
const left = computed(() => new Map((props.table.left ?? []).map((l) => [l.row, l.reason ?? ""])));
const percent = (j: number) => props.table.columns[j]?.unit?.startsWith("%") ?? false;
const shown = (row: number, j: number): string => {
  const v = props.table.rows[row]?.[j];
  return v === null || v === undefined ? "" : percent(j) ? `${formatNumber(v * 100, 10)} %` : formatNumber(v, 10);
};
const plain = (row: number, j: number): string => {
  const v = props.table.rows[row]?.[j];
  return v === null || v === undefined ? "" : percent(j) ? `${Number((v * 100).toPrecision(12))} %` : String(v);
};
/** The date that an input in the first column stands for, after `before`; empty where it stands for none. */
const dateAt = (row: number, j: number, before = ""): string => {
  const v = j === 0 ? props.table.rows[row]?.[0] : null;
  const date = v === null || v === undefined ? null : props.reads(v);
  return date === null ? "" : `${before}${date}`;
};

onMounted(() => {
  view.value = home.value?.clientHeight ?? 480;
});
async function go(row: number, column: number): Promise<void> {
  at.row = Math.min(count.value - 1, Math.max(0, row));
  at.column = Math.min(props.table.columns.length - 1, Math.max(0, column));
  if (home.value) {
    const y = at.row * HEIGHT;
    if (y < home.value.scrollTop) home.value.scrollTop = y;
    else if (y + HEIGHT * 2 > home.value.scrollTop + home.value.clientHeight)
      home.value.scrollTop = y + HEIGHT * 2 - home.value.clientHeight;
  }
  await nextTick();
  home.value?.querySelector<HTMLElement>(`[data-cell="${at.row}:${at.column}"]`)?.focus();
}
async function edit(text: string): Promise<void> {
  editing.value = text;
  wrong.value = null;
  await nextTick();
  const field = home.value?.querySelector<HTMLInputElement>("input.cell");
  field?.focus();
  field?.setSelectionRange(text.length, text.length);
}
/** Keeps what was typed; false when it is no number. */
function keep(): boolean {
  if (editing.value === null) return true;
  const text = editing.value.trim();
  const cell = readCell(text, ".", false);
  if (cell.kind === "text" || cell.kind === "date") {
    wrong.value = `“${text}” is no number; write it as 1,234.5 or leave the cell empty.`;
    return false;
  }
  const value =
    cell.kind === "empty"
      ? null
      : percent(at.column) && !cell.percent
        ? Number((cell.value / 100).toPrecision(15))
        : cell.value;
  const [row, column] = [at.row, at.column];
  editing.value = null;
  wrong.value = null;
  if (value === (props.table.rows[row]?.[column] ?? null)) return true;
  store.apply({ kind: "writeCell", table: props.table.name, row, column, value });
  return true;
}
function key(event: KeyboardEvent): void {
  const writing = editing.value !== null;
  const step = (row: number, column: number) => {
    event.preventDefault();
    if (!writing || keep()) void go(at.row + row, at.column + column);
  };
  if (event.key === "Enter") step(event.shiftKey ? -1 : 1, 0);
  else if (
    event.key === "Tab" &&
    !(event.shiftKey
      ? at.row === 0 && at.column === 0
      : at.row === count.value - 1 && at.column === props.table.columns.length - 1)
  ) {
    if (event.shiftKey) {
      if (at.column > 0) step(0, -1);
      else step(-1, props.table.columns.length);
    } else if (at.column < props.table.columns.length - 1) step(0, 1);
    else step(1, -props.table.columns.length);
  } else if (event.key === "Escape" && writing) {
    event.preventDefault();
    event.stopPropagation();
    editing.value = null;
    wrong.value = null;
    void go(at.row, at.column);
  } else if (writing) return;
  else if (event.key === "ArrowDown") step(1, 0);
  else if (event.key === "ArrowUp") step(-1, 0);
  else if (event.key === "ArrowRight") step(0, 1);
  else if (event.key === "ArrowLeft") step(0, -1);
  else if (event.key === "Home") {
    event.preventDefault();
    void go(event.ctrlKey ? 0 : at.row, 0);
  } else if (event.key === "End") {
    event.preventDefault();
    void go(event.ctrlKey ? count.value - 1 : at.row, props.table.columns.length - 1);
  } else if (event.key === "PageDown") step(12, 0);
  else if (event.key === "PageUp") step(-12, 0);
  else if (event.key === "F2") {
    event.preventDefault();
    void edit(plain(at.row, at.column));
  } else if (event.key === "Delete" || event.key === "Backspace") {
    event.preventDefault();
    editing.value = "";
    keep();
  } else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) {
    event.preventDefault();
    void edit(event.key);
  }
  // Letters typed here are for the cell, not for the keys of the page.
  event.stopPropagation();
}
function pick(row: number): void {
  if (left.value.has(row)) store.apply({ kind: "useRow", table: props.table.name, row });
  else asking.value = { row, reason: "" };
}
function leave(): void {
  const a = asking.value;
  if (!a) return;
  store.apply({ kind: "leaveRow", table: props.table.name, ...a });
  asking.value = null;
}
function paste(event: ClipboardEvent): void {
  const lines = (event.clipboardData?.getData("text") ?? "")
    .split(/\r?\n/)
    .filter((l) => l.trim() !== "")
    .map((l) => l.split("\t"));
  if (editing.value !== null || lines.length === 0 || (lines.length === 1 && lines[0]!.length === 1)) return;
  const cells = lines.map((l) => l.map((c) => readCell(c, ".", false)));
  if (cells.some((l) => l.some((c) => c.kind === "text" || c.kind === "date"))) {
    wrong.value = "The block has cells that are no numbers; use Paste above to see how it would be read.";
    return;
  }
  event.preventDefault();
  const values = cells.map((l) => l.map((c) => (c.kind === "number" ? c.value : null)));
  store.apply({ kind: "pasteRows", table: props.table.name, row: at.row, column: at.column, cells: values });
}
defineExpose({ focus: () => go(0, 0) });
</script>

<template>
  <div class="holder">
    <div class="heads">
      <span class="use" /><span v-for="(c, j) in table.columns" :key="c.name" class="head"
        ><slot name="head" :column="c" :place="j">{{ c.name }}</slot></span
      >
    </div>
    <div
      ref="home"
      class="grid"
      role="grid"
      :aria-label="`Rows of ${table.name}`"
      :aria-rowcount="count"
      :aria-colcount="table.columns.length + 1"
      tabindex="-1"
      @scroll="top = ($event.target as HTMLElement).scrollTop"
      @keydown="key"
      @paste="paste"
    >
      <div class="tall" role="rowgroup" :style="{ height: `${count * HEIGHT}px` }">
        <div
          v-for="i in sight"
          :key="i"
          role="row"
          class="row"
          :class="{ left: left.has(i) }"
          :aria-rowindex="i + 1"
          :style="{ top: `${i * HEIGHT}px` }"
        >
          <span role="gridcell" class="use"
            ><Button
              v-if="i < table.rows.length"
              text
              class="dot"
              :class="{ off: left.has(i) }"
              :title="
                left.has(i) ? `Left out${left.get(i) ? `: ${left.get(i)}` : ''}. Use it again` : 'Leave this row out'
              "
              :aria-label="left.has(i) ? `Use row ${i + 1} again` : `Leave out row ${i + 1}`"
              tabindex="-1"
              @click="pick(i)"
          /></span>
          <span
            v-for="(c, j) in table.columns"
            :key="c.name"
            role="gridcell"
            class="box"
            :class="{ here: at.row === i && at.column === j }"
            :data-cell="`${i}:${j}`"
            :tabindex="at.row === i && at.column === j ? 0 : -1"
            :aria-label="`${c.name} of row ${i + 1}: ${shown(i, j) || 'empty'}${dateAt(i, j, ', ')}`"
            :title="dateAt(i, j) || undefined"
            @click="go(i, j)"
            @dblclick="edit(plain(i, j))"
          >
            <InputText
              v-if="editing !== null && at.row === i && at.column === j"
              v-model="editing"
              class="cell"
              :aria-label="`${c.name} of row ${i + 1}`"
              :aria-invalid="wrong !== null"
              @blur="keep()"
            />
            <template v-else>{{ shown(i, j) }}</template>
          </span>
        </div>
      </div>
    </div>
    <p v-if="wrong" class="problem" role="alert">{{ wrong }}</p>
    <form v-if="asking" class="why" @submit.prevent="leave">
      <label
        >Why is row {{ asking.row + 1 }} left out?
        <InputText v-model="asking.reason" size="small" placeholder="a storm that day" maxlength="300" /></label
      ><Button type="submit" size="small" label="Leave it out" /><Button link @click="asking = null"> keep it </Button>
    </form>
    <ul v-if="(table.left ?? []).length > 0" class="out">
      <li v-for="l in (table.left ?? []).slice(0, 6)" :key="l.row" class="quiet">
        row {{ l.row + 1 }} left out{{ l.reason ? `: ${l.reason}` : "" }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.holder {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.heads,
.row {
  display: flex;
}
.heads {
  border-bottom: 1px solid var(--ink-3);
  font-weight: 600;
  font-size: 0.87rem;
  padding-right: 8px;
}
.head,
.box {
  flex: 1 1 0;
  min-width: 0;
  text-align: right;
  padding: 0 0.5rem;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.head {
  padding-block: 4px;
}
.grid {
  overflow-y: auto;
  max-height: min(58vh, 520px);
  min-height: 120px;
  outline: none;
}
.tall {
  position: relative;
}
.row {
  position: absolute;
  left: 0;
  right: 0;
  height: 32px;
  line-height: 31px;
  border-bottom: 1px solid var(--hairline);
}
.row.left .box {
  color: var(--ink-2);
  text-decoration: line-through;
}
.box {
  cursor: cell;
}
.box.here {
  box-shadow: inset 0 0 0 1px var(--ink-3);
}
.box:focus {
  outline: none;
  box-shadow: inset 0 0 0 2px var(--jade);
}
.cell {
  width: 100%;
  height: 29px;
  border: 0;
  outline: 0;
  background: var(--paper);
  font: inherit;
  color: inherit;
  text-align: right;
  padding: 0;
}
.use {
  width: 18px;
  display: grid;
  place-items: center;
}
.dot {
  width: 9px;
  height: 9px;
  border-radius: 50%;
  border: 1.5px solid var(--curve-6);
  background: var(--curve-6);
  padding: 0;
  cursor: pointer;
}
.dot.off {
  background: none;
}
.why {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  padding: 0.5rem 0;
  font-size: 0.9rem;
}
.why input {
  width: 100%;
}
</style>
