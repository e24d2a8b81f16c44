<script setup lang="ts">
import type { CornerTrail } from "#core/desk";
import { relationShown, spareWords } from "#core/explain";
import type { Names } from "#core/formula";
import type { Plan } from "#core/model";
import { readConstraint, type PlanReading, type PlanResult } from "#core/plan";

/** The constraints, each changed, named, taken out of force or deleted where it stands. */
const props = defineProps<{
  plan: Plan;
  names: Names;
  reading: PlanReading | null;
  result: PlanResult | null;
  colours: Readonly<Record<string, number>>;
  trail: CornerTrail | null;
}>();
const emit = defineEmits<{ point: [id: string | null] }>();
const store = useCaseStore();
const toast = useToast();
/** Rows of a long plan shown before the rest is asked for. */
const MANY = 40;
const all = ref(false);

/** A name is asked for once; every other constraint can be given one all the same. */
const firstUnnamed = computed(() => props.plan.constraints.findIndex((c) => !c.label));
const check = (text: string): string | null => {
  const variables = props.plan.variables.map((v) => v.name);
  const read = readConstraint(text, variables, props.names);
  return read.ok ? null : read.problem.message;
};
const troublesOf = (i: number): string[] =>
  [...(props.reading?.errors ?? []), ...(props.reading?.warnings ?? [])]
    .filter((e) => e.path.startsWith(`plan.constraints[${i}]`))
    .map((e) => e.message);
const spare = (id: string): string => (props.result ? spareWords(props.result, id) : "");
const colourOf = (id: string) => `var(--curve-${props.colours[id]})`;
function remove(id: string): void {
  store.apply({ kind: "removeConstraint", id });
  const summary = `The constraint ${id} is deleted.`;
  toast.add({ severity: "info", summary, detail: "Undo brings it back.", life: 4000 });
}
</script>

<template>
  <ul>
    <li
      v-for="(c, i) in plan.constraints.slice(0, all ? undefined : MANY)"
      :key="c.id"
      class="row"
      :class="{ off: c.off, dim: trail !== null && !trail.constraints.includes(c.id) }"
      @mouseenter="emit('point', c.id)"
      @mouseleave="emit('point', null)"
      @focusin="emit('point', c.id)"
      @focusout="emit('point', null)"
    >
      <span class="id" :style="{ borderColor: colourOf(c.id), color: colourOf(c.id) }">{{ c.id }}</span>
      <span class="plan-formula"
        ><EditText
          :value="c.text"
          :label="`Constraint ${c.id}`"
          :check="check"
          @keep="store.apply({ kind: 'setConstraint', id: c.id, text: $event })"
          >{{ relationShown(c.text) }}</EditText
        ></span
      >
      <span class="quiet">{{ c.off ? "off" : spare(c.id) }}</span>
      <span class="tools"
        ><Button
          link
          :aria-pressed="!c.off"
          :aria-label="`Constraint ${c.id} in force`"
          @click="store.apply({ kind: 'forceConstraint', id: c.id, inForce: c.off === true })"
        >
          {{ c.off ? "use" : "off" }}</Button
        ><Button text class="icon-button" :aria-label="`Delete constraint ${c.id}`" @click="remove(c.id)">
          <IconBin /></Button
      ></span>
      <p class="note">
        <EditText
          plain
          :value="c.label ?? ''"
          :placeholder="i === firstUnnamed ? 'name it in words' : '…'"
          :label="`Meaning of ${c.id}`"
          @keep="store.apply({ kind: 'describeConstraint', id: c.id, label: $event })"
        />
      </p>
      <ProblemNote v-for="e in troublesOf(i)" :key="e" class="note" :text="e" />
    </li>
  </ul>
  <Button v-if="plan.constraints.length > MANY" link class="more" @click="all = !all">
    {{ all ? "Fewer" : `All ${plan.constraints.length} constraints` }}
  </Button>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto auto;
  column-gap: 0.6rem;
  align-items: center;
  padding: 0.35rem 0;
  border-bottom: 1px solid var(--hairline);
}
.off .plan-formula,
.off .note {
  opacity: 0.55;
}
.id {
  border: 1.5px solid;
  border-radius: 5px;
  min-width: 1.5rem;
  text-align: center;
  font-weight: 700;
  font-size: 0.85rem;
}
.note {
  grid-column: 2 / -1;
  font-size: 0.87rem;
  color: var(--ink-2);
}
.tools {
  display: flex;
  gap: 0.4rem;
  align-items: center;
}
.more {
  align-self: start;
}
</style>
