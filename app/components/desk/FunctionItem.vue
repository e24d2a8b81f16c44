<script setup lang="ts">
import { Eye, EyeOff, GripVertical, SplitSquareVertical } from "@lucide/vue";
import { writtenFunction, type Understanding } from "#core/entry";
import { prettyUnit } from "#core/explain";
import { unitTrouble } from "#core/units";
import type { FunctionRow } from "#core/model";
import type { Desk } from "#core/desk";
import type { Slip } from "#core/slips";
import { dashOf } from "~/charts/look";

/** A function of the desk: its line, formula, unit and meaning, each changed where it stands, and what is wrong. */
const props = defineProps<{
  row: FunctionRow;
  /** what is worked out of it, once it is */
  shown: Desk["functions"][number] | undefined;
  slips: readonly Slip[];
  /** place among the looks of lines, and its name */
  look: number;
  lookName: string;
}>();
const emit = defineEmits<{ recolour: []; pieces: []; remove: [] }>();
const store = useCaseStore();
/** What a formula is read against: the case as it is now, also where the row itself waits to be drawn anew. */
const source = computed(() => store.document!);
const written = computed(() => writtenFunction(props.row));
const hasPieces = computed(() => props.row.by.kind === "pieces" || props.row.by.kind === "formula");
/** A warning that has a mend is shown with it, not twice. */
const isSlip = (message: string) => props.slips.some((s) => s.message === message);
const troubles = computed(() => {
  const { trouble = null, unitMessage = null, warnings = [] } = props.shown ?? {};
  const first = trouble ?? (unitMessage && !isSlip(unitMessage) ? unitMessage : null);
  return [...(first === null ? [] : [first]), ...warnings.filter((w) => !isSlip(w))];
});

/** The one function that a line makes; null where it makes something else. */
function functionIn(found: Understanding): FunctionRow | null {
  const entries = found.kind === "entries" ? found.entries : [];
  const [only] = entries;
  return entries.length === 1 && only?.kind === "function" ? only.row : null;
}
const check = (text: string): string | null | Promise<string | null> =>
  withDeskCore(({ understand }) => {
    const found = understand(text, source.value);
    if (found.kind === "refused") return found.message;
    const { name, of } = props.row;
    return functionIn(found) ? null : `A function should stand here, as in ${name}(${of}) = …`;
  });
function retype(text: string): void {
  const row = functionIn(deskCoreAtHand().understand(text, source.value));
  if (row) store.apply({ kind: "retype", name: props.row.name, row });
}
</script>

<template>
  <span class="handle" title="Drag to reorder; Alt and an arrow key move it too" aria-hidden="true"
    ><GripVertical :size="14"
  /></span>
  <Button
    text
    class="swatch"
    :aria-label="`Line of ${row.name}: ${lookName}. Next colour`"
    title="Next colour"
    @click="emit('recolour')"
  >
    <svg width="26" height="12" aria-hidden="true">
      <line
        x1="0"
        y1="6"
        x2="26"
        y2="6"
        stroke-width="3"
        :stroke="`var(--curve-${look})`"
        :stroke-dasharray="dashOf(look)?.join(' ')"
      />
    </svg>
  </Button>
  <div class="formula">
    <EditText
      v-if="row.by.kind !== 'fit'"
      plain
      :value="written"
      :label="`Formula of ${row.name}`"
      :check="check"
      @keep="retype"
    >
      <template #field="line">
        <CodeLine
          :model-value="line.text"
          :document="source"
          :label="`Formula of ${row.name}`"
          :described-by="line.describedBy"
          opens
          @update:model-value="line.typed"
          @enter="line.keep"
          @leave="line.leave"
          @focused="line.focused"
        />
      </template>
      <MathText v-if="shown?.latex" :latex="shown.latex" :text="written" /><code v-else>{{ written }}</code>
    </EditText>
    <MathText v-else-if="shown?.latex" :latex="shown.latex" :text="shown.text" />
    <span v-else>{{ row.name }}({{ row.of }})</span>
  </div>
  <span class="unit"
    ><EditText
      plain
      :value="row.unit ?? ''"
      :placeholder="shown?.unit || 'unit'"
      :label="`Unit of ${row.name}`"
      :check="unitTrouble"
      @keep="store.apply({ kind: 'setFunctionUnit', name: row.name, unit: $event })"
      >{{ prettyUnit(row.unit || shown?.unit || "unit") }}</EditText
    ></span
  >
  <span class="tools">
    <Button
      v-if="hasPieces"
      text
      class="icon-button"
      :aria-label="`Pieces of ${row.name}`"
      title="By pieces"
      @click="emit('pieces')"
    >
      <SplitSquareVertical :size="15" aria-hidden="true" />
    </Button>
    <Button
      text
      class="icon-button"
      :aria-pressed="row.shown !== false"
      :aria-label="`Draw ${row.name}`"
      @click="store.apply({ kind: 'showFunction', name: row.name, shown: row.shown === false })"
    >
      <EyeOff v-if="row.shown === false" :size="15" aria-hidden="true" /><Eye v-else :size="15" aria-hidden="true" />
    </Button>
    <Button text class="icon-button" :aria-label="`Delete ${row.name}`" @click="emit('remove')">
      <IconBin />
    </Button>
  </span>
  <p class="note">
    <EditText
      plain
      :value="row.label ?? ''"
      placeholder="name it in words"
      :label="`Meaning of ${row.name}`"
      @keep="store.apply({ kind: 'describeFunction', name: row.name, label: $event })"
    />
    <template v-if="shown?.note"> · {{ shown.note }}</template>
    <template v-if="shown?.unitsAgree === true"> · <span class="agree">units agree</span></template>
  </p>
  <ProblemNote v-for="t in troubles" :key="t" class="wide" :text="t" />
  <SlipNote v-for="s in slips" :key="s.message" class="wide" :slip="s" />
</template>

<style scoped>
.handle {
  position: absolute;
  left: -0.95rem;
  top: 0.8rem;
  color: var(--ink-3);
  cursor: grab;
}
.swatch {
  border: 0;
  padding: 6px 0;
  background: none;
  cursor: pointer;
  line-height: 0;
}
.formula {
  overflow-x: auto;
  overflow-y: hidden;
  padding: 2px 0;
}
.unit {
  color: var(--ink-2);
  font-size: 0.9rem;
}
.tools {
  display: flex;
}
.note {
  grid-column: 2 / -1;
  color: var(--ink-2);
  font-size: 0.87rem;
}
.agree {
  color: var(--jade);
}
.wide {
  grid-column: 2 / -1;
}
</style>
