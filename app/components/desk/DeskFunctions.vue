<script setup lang="ts">
import type { CaseFile, FunctionRow } from "#core/model";
import type { Desk } from "#core/desk";
import type { Slip } from "#core/slips";

/** The functions of the case in the order of the desk, and what puts new ones there. */
const props = defineProps<{
  document: CaseFile;
  desk: Desk | null;
  lit: ReadonlySet<string> | null;
  colours: Readonly<Record<string, number>>;
  slips: readonly Slip[];
}>();
const emit = defineEmits<{ point: [key: string | null]; begin: [text: string] }>();
const store = useCaseStore();
const takeOff = useTakeOff();
const rows = computed(() => props.document.functions ?? []);
const shown = (name: string) => props.desk?.functions.find((f) => f.name === name);
const slipsOf = useSlipsByKey(() => props.slips);
const isDim = (name: string) => props.lit !== null && !props.lit.has(`function:${name}`);

// ---- dialogs come when they are first asked for
const FormsDialog = later(() => import("./FormsDialog.vue"));
const FunctionMap = later(() => import("./FunctionMap.vue"));
const PiecesDialog = later(() => import("./PiecesDialog.vue"));
const formsDialog = ref(false);
const formsWanted = useWanted(formsDialog);
const formWanted = ref<string | null>(null);
const piecesDialog = ref(false);
const piecesWanted = useWanted(piecesDialog);
const piecesOf = ref<string | null>(null);
const isMapShown = ref(false);
function openForm(id: string | null): void {
  formWanted.value = id;
  formsDialog.value = true;
}
function openPieces(name: string | null): void {
  piecesOf.value = name;
  piecesDialog.value = true;
}
defineExpose({ openForm });

// ---- colour and dash
const LOOKS = ["jade", "sky", "brick", "plum", "violet", "ochre", "slate"];
const lookOf = (f: FunctionRow, i: number) => (f.look ?? i) % LOOKS.length;
/** The next colour that no other function has; with all taken, simply the next. */
function recolour(f: FunctionRow, i: number): void {
  const taken = new Set(rows.value.flatMap((r, k) => (r.name === f.name ? [] : [lookOf(r, k)])));
  const turns = LOOKS.map((_, k) => (lookOf(f, i) + 1 + k) % LOOKS.length);
  const next = turns.find((k) => !taken.has(k) && k !== lookOf(f, i)) ?? turns[0]!;
  store.apply({ kind: "colour", name: f.name, look: next, as: LOOKS[next]! });
}

// ---- order: dragged by the handle, or moved by Alt and an arrow
const list = useTemplateRef<HTMLElement>("list");
const focus = (name: string): void =>
  list.value?.querySelector<HTMLElement>(`[data-name="${CSS.escape(name)}"]`)?.focus();
const moveByKey = useSorting(list, (from, to) => {
  const { name } = rows.value[from]!;
  store.apply({ kind: "moveFunction", name, to, looks: rows.value.map(lookOf) });
});

const start = computed(() => {
  const variable = props.document.variables?.[0];
  return variable ? `f(${variable.name}) = ` : "x = 0 … 10";
});
const remove = (name: string): void => takeOff({ kind: "function", name }, props.desk?.links ?? []);
</script>

<template>
  <section class="panel" aria-labelledby="functions-title">
    <div class="panel-head">
      <h2 id="functions-title" class="panel-title" tabindex="-1">
        Functions<span class="panel-count">{{ rows.length }}</span>
      </h2>
      <Button v-if="rows.length > 3" link class="forms" :aria-expanded="isMapShown" @click="isMapShown = !isMapShown">
        Map
      </Button>
      <Button link :class="{ forms: rows.length <= 3 }" @click="openForm(null)"> Forms </Button>
      <Button link @click="openPieces(null)">Pieces</Button>
      <Button link @click="emit('begin', start)"> + Function </Button>
    </div>
    <p v-if="rows.length === 0 && !$slots.default" class="quiet">
      No function yet. Write one on the entry line: <code>C(q) = 90 + 7 q</code>, or a line through two readings:
      <code>p(q) = line (240, 6), (150, 9)</code>.
    </p>
    <FormsDialog v-if="formsWanted" v-model:visible="formsDialog" :wanted="formWanted" />
    <PiecesDialog v-if="piecesWanted" v-model:visible="piecesDialog" :document="document" :edited="piecesOf" />
    <FunctionMap
      v-if="isMapShown && rows.length > 3"
      :names="rows.map((f) => f.name)"
      :links="desk?.links ?? []"
      :lit="lit"
      :colours="colours"
      @point="emit('point', $event)"
      @choose="focus"
    />
    <ul ref="list">
      <PointedRow
        v-for="(f, i) in rows"
        :key="f.name"
        v-memo="[f, i, shown(f.name), slipsOf(`function:${f.name}`), isDim(f.name)]"
        :id="`function:${f.name}`"
        class="row"
        :class="{ hidden: f.shown === false }"
        :dim="isDim(f.name)"
        :data-name="f.name"
        @keydown.alt.up="moveByKey(i, -1, $event)"
        @keydown.alt.down="moveByKey(i, 1, $event)"
        @point="emit('point', $event)"
      >
        <FunctionItem
          :row="f"
          :shown="shown(f.name)"
          :slips="slipsOf(`function:${f.name}`)"
          :look="lookOf(f, i)"
          :look-name="LOOKS[lookOf(f, i)]!"
          @recolour="recolour(f, i)"
          @pieces="openPieces(f.name)"
          @remove="remove(f.name)"
        />
      </PointedRow>
    </ul>
    <slot />
  </section>
</template>

<style scoped>
.forms {
  margin-left: auto;
}
.row {
  position: relative;
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto auto;
  column-gap: 0.75rem;
  align-items: center;
  padding: 0.4rem 0 0.5rem;
  border-bottom: 1px solid var(--hairline);
}
.row :deep(.handle),
.row :deep(.tools) {
  opacity: 0;
}
.row:hover :deep(.handle),
.row:hover :deep(.tools),
.row:focus-within :deep(.tools),
.hidden :deep(.tools) {
  opacity: 1;
}
.hidden :deep(.swatch) {
  opacity: 0.3;
}
</style>
