<script setup lang="ts">
import type { Plan } from "#core/model";
import { wordsOf, yesOrNo } from "#core/plan";

/** What the plan decides on: any number, whole, or yes or no (whole, from 0 to 1). */
const props = defineProps<{ plan: Plan }>();
const store = useCaseStore();
const toast = useToast();
/** Rows of a long plan shown before the rest is asked for. */
const MANY = 40;
const all = ref(false);

const isYesNo = (v: Plan["variables"][number]): boolean => v.whole === true && yesOrNo(props.plan, v.name) >= 0;
function remove(name: string): void {
  const needed = props.plan.constraints.filter((c) => wordsOf(c.text).includes(name)).map((c) => c.id);
  store.apply({ kind: "removePlanVariable", name });
  if (needed.length === 0) return;
  const detail = `${needed.join(", ")} needed it. Undo brings it back.`;
  toast.add({ severity: "warn", summary: `${name} is deleted.`, detail, life: 6000 });
}
</script>

<template>
  <ul>
    <li v-for="v in plan.variables.slice(0, all ? undefined : MANY)" :key="v.name" class="variable">
      <i>{{ v.name }}</i>
      <EditText
        plain
        :value="v.label ?? ''"
        placeholder="what it counts"
        :label="`Meaning of ${v.name}`"
        @keep="store.apply({ kind: 'describePlanVariable', name: v.name, label: $event })"
      />
      <label
        ><Checkbox
          binary
          size="small"
          :model-value="v.whole === true"
          @update:model-value="store.apply({ kind: 'setPlanWhole', name: v.name, whole: !v.whole })"
        />
        whole</label
      >
      <Button
        link
        class="kind"
        :aria-pressed="isYesNo(v)"
        title="Only 0 or 1: it is done or not"
        @click="store.apply({ kind: 'setYesNo', name: v.name, yesNo: !isYesNo(v) })"
      >
        {{ isYesNo(v) ? "yes or no ✓" : "yes or no" }}
      </Button>
      <Button text class="icon-button" :aria-label="`Delete variable ${v.name}`" @click="remove(v.name)">
        <IconBin />
      </Button>
    </li>
  </ul>
  <Button v-if="plan.variables.length > MANY" link class="more" @click="all = !all">
    {{ all ? "Fewer" : `All ${plan.variables.length} variables` }}
  </Button>
</template>

<style scoped>
.variable {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  flex-wrap: wrap;
  font-size: 0.93rem;
  padding: 0.15rem 0;
}
.variable i {
  font-family: var(--book);
}
.kind {
  font-weight: 400;
  font-size: 0.85rem;
}
.more {
  align-self: start;
}
</style>
