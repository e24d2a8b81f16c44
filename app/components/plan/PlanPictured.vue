<script setup lang="ts">
import { leftAt, worthAt } from "#core/explain";
import type { Names } from "#core/formula";
import type { Plan } from "#core/model";
import type { PlanPicture, PlanResult } from "#core/plan";
import type { Pair } from "~/composables/useSlicePair";
import type PlanRegion from "./PlanRegion.vue";

/** The region of a plan of two variables, or a slice of a larger one. */
const props = defineProps<{
  caseTitle: string;
  names: Names;
  /** variables of the plan as it is written */
  variables: readonly string[];
  drawn: { readonly plan: Plan; readonly result: PlanResult; readonly picture: PlanPicture } | null;
  pair: Pair | null;
  isSlice: boolean;
  canSlice: boolean;
  colours: Readonly<Record<string, number>>;
  lit: readonly string[];
}>();
const emit = defineEmits<{ begin: []; end: []; pick: [place: 0 | 1, name: string] }>();
/** The dialog comes when it is first asked for. */
const PictureDialog = later(() => import("~/components/common/PictureDialog.vue"));
const ruledOut = ref(false);
const pictureDialog = ref(false);
const pictureWanted = useWanted(pictureDialog);
const region = useTemplateRef<InstanceType<typeof PlanRegion>>("region");

const caption = computed(() => {
  if (props.isSlice) return "all other variables at their best values";
  return props.drawn?.result.status === "infeasible"
    ? "no point keeps all constraints"
    : "every point here keeps all constraints";
});
const left = (at: readonly number[]) => (props.drawn ? leftAt(props.drawn.plan, at, props.names) : []);
const worth = (at: readonly number[]) => (props.drawn ? worthAt(props.drawn.plan, at, props.names) : "");
</script>

<template>
  <section class="panel middle" aria-labelledby="region-title">
    <div class="panel-head">
      <h2 id="region-title" class="panel-title">
        {{ isSlice ? "Slice" : "Region" }}
        <span v-if="drawn" class="caption">{{ caption }}</span>
      </h2>
      <span v-if="drawn" class="tools"
        ><Button link :aria-pressed="ruledOut" @click="ruledOut = !ruledOut">
          {{ ruledOut ? "Shade what is allowed" : "Shade what is ruled out" }}</Button
        ><Button link @click="pictureDialog = true">For a document</Button></span
      >
    </div>
    <div v-if="canSlice" class="pick">
      <Button v-if="!pair" link @click="emit('begin')"> Picture two of the variables as a slice </Button>
      <template v-else
        ><Select
          size="small"
          aria-label="Variable across"
          :options="[...variables]"
          :model-value="variables[pair[0]]"
          @update:model-value="emit('pick', 0, $event)"
        />
        across,
        <Select
          size="small"
          aria-label="Variable upwards"
          :options="[...variables]"
          :model-value="variables[pair[1]]"
          @update:model-value="emit('pick', 1, $event)"
        />
        upwards <Button link @click="emit('end')">No slice</Button></template
      >
    </div>
    <PlanRegion
      v-if="drawn"
      ref="region"
      :plan="drawn.plan"
      :result="drawn.result"
      :picture="drawn.picture"
      :colours="colours"
      :lit="lit"
      :ruled-out="ruledOut"
      ><template #left="{ at }"
        ><span v-if="worth(at)">{{ worth(at) }}</span
        ><span v-for="l in left(at)" :key="l.id" :class="{ problem: l.broken }"
          >{{ l.id }}: {{ l.text }}</span
        ></template
      ></PlanRegion
    >
    <p v-else-if="variables.length > 2" class="quiet nothing">
      With {{ variables.length }} variables the finding stands at the right.
    </p>
    <p v-else class="quiet nothing">
      Two variables and a constraint draw a region: write <code>2x + 3y &lt;= 240</code>.
    </p>
    <PictureDialog
      v-if="drawn && pictureWanted"
      v-model:visible="pictureDialog"
      :of="() => ({ region: region!.view() })"
      :case-title="caseTitle"
    />
  </section>
</template>

<style scoped>
.tools {
  display: flex;
  gap: 1rem;
  align-items: center;
}
.nothing {
  padding: 2rem 0;
}
.pick {
  font-size: 0.9rem;
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
}
</style>
