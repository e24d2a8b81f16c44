<script setup lang="ts">
import { refDebounced } from "@vueuse/core";
import type { CaseFile, Plan } from "#core/model";
import { planOfProgram, type Program } from "#core/plan";
import { saveFile } from "~/paper/saveFile";
import { separated } from "#core/data";

/** A plan from a file and to a file: LP format and MPS, which other solvers read, and its constraints as a table. */
const props = defineProps<{ document: CaseFile; program: () => Program | null }>();
const visible = defineModel<boolean>("visible", { required: true });
const emit = defineEmits<{ read: [plan: Plan, from: string] }>();
const toast = useToast();
const solver = useSolver();
/** What takes long can be cancelled; what takes a moment is not talked about. */
const isSlow = refDebounced(solver.busy, 400);
const problem = ref<string | null>(null);
const found = shallowRef<{ plan: Plan; name: string; notes: readonly string[] } | null>(null);
const over = ref(false);
watch(visible, () => {
  problem.value = null;
  found.value = null;
});

const fileName = (end: string) =>
  `${
    props.document.title
      .trim()
      .replace(/[^\p{L}\p{Nd}]+/gu, "-")
      .replace(/^-|-$/g, "")
      .toLowerCase() || "plan"
  }.${end}`;
async function save(format: "lp" | "mps"): Promise<void> {
  const program = props.program();
  problem.value = null;
  if (!program) {
    problem.value = "The plan cannot be read yet; its problems stand beside its constraints.";
    return;
  }
  try {
    const reply = await solver.ask({ kind: "write", program, format });
    if (reply?.kind === "written") {
      saveFile(fileName(format), new Blob([reply.text], { type: "text/plain" }));
      toast.add({ severity: "info", summary: `${fileName(format)} is saved.`, life: 2500 });
    }
  } catch (reason) {
    problem.value = reason instanceof Error ? reason.message : String(reason);
  }
}
function saveTable(): void {
  const { plan } = props.document;
  if (!plan) return;
  saveFile(
    fileName("csv"),
    new Blob(
      [
        separated(
          [
            ["id", "constraint", "meaning", "in force"],
            ...plan.constraints.map((c) => [c.id, c.text, c.label ?? "", c.off ? "no" : "yes"]),
          ],
          ",",
        ),
      ],
      { type: "text/csv" },
    ),
  );
  toast.add({ severity: "info", summary: `${fileName("csv")} is saved.`, life: 2500 });
}
/** MPS starts with its sections, LP format with what is to be made greatest or least. */
const formatOf = (name: string, text: string): "lp" | "mps" =>
  /\.mps$/i.test(name) || /^\s*(?:\*|NAME|ROWS|OBJSENSE)/m.test(text.slice(0, 400)) ? "mps" : "lp";
async function take(file: File | undefined): Promise<void> {
  if (!file) return;
  problem.value = null;
  found.value = null;
  if (file.size > 4_000_000) {
    problem.value = `${file.name} has ${Math.round(file.size / 1e6)} MB; up to 4 MB are read here.`;
    return;
  }
  const text = await file.text();
  const { givens = [], variables = [], functions = [] } = props.document;
  try {
    const reply = await solver.ask({
      kind: "read",
      text,
      format: formatOf(file.name, text),
      reserved: [...givens, ...variables, ...functions].map((r) => r.name).concat("e", "pi"),
    });
    if (reply?.kind === "read")
      found.value = { plan: planOfProgram(reply.program), name: file.name, notes: reply.notes };
  } catch (reason) {
    problem.value = `${file.name}: ${reason instanceof Error ? reason.message : String(reason)}`;
  }
}
function drop(event: DragEvent): void {
  over.value = false;
  void take(event.dataTransfer?.files[0]);
}
function use(): void {
  if (found.value) {
    emit("read", found.value.plan, found.value.name);
    visible.value = false;
  }
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Plan files" :style="{ width: '34rem', maxWidth: '96vw' }">
    <div class="rows">
      <section aria-labelledby="plan-save">
        <h3 id="plan-save" class="panel-title">Save</h3>
        <p class="ways">
          <Button label="LP format" size="small" :disabled="!document.plan" @click="save('lp')" /><Button
            label="MPS"
            size="small"
            severity="secondary"
            :disabled="!document.plan"
            @click="save('mps')"
          /><Button
            label="Constraints as CSV"
            size="small"
            severity="secondary"
            :disabled="!document.plan"
            @click="saveTable"
          />
        </p>
        <p class="quiet">LP format and MPS are read by other solvers. Givens stand in them with their values.</p>
      </section>
      <section aria-labelledby="plan-read">
        <h3 id="plan-read" class="panel-title">Read</h3>
        <label
          class="drop"
          :class="{ over }"
          @dragover.prevent="over = true"
          @dragleave="over = false"
          @drop.prevent="drop"
          >Drop a file in LP format or MPS here, or choose one.
          <input
            type="file"
            accept=".lp,.mps,.txt,text/plain"
            aria-label="File with a plan"
            @change="take(($event.target as HTMLInputElement).files?.[0])"
        /></label>
        <p v-if="solver.busy.value && isSlow" class="quiet" role="status">
          Reading the file … <Button link @click="solver.cancel()">Cancel</Button>
        </p>
        <p v-if="found" role="status">
          {{ found.name }}: {{ found.plan.variables.length }} variable{{ found.plan.variables.length === 1 ? "" : "s"
          }}{{
            found.plan.variables.some((v) => v.whole)
              ? `, ${found.plan.variables.filter((v) => v.whole).length} of them whole`
              : ""
          }}, {{ found.plan.constraints.length }} constraints{{
            found.plan.objective ? `, made ${found.plan.objective.sense}` : ", no objective"
          }}.
        </p>
        <ul v-if="found && found.notes.length > 0" class="quiet">
          <li v-for="n in found.notes" :key="n">{{ n }}</li>
        </ul>
        <p v-if="found && document.plan" class="quiet">
          It takes the place of the plan on this page; undo brings that back.
        </p>
        <Button v-if="found" label="Use this plan" size="small" @click="use" />
      </section>
      <ProblemNote v-if="problem" role="alert" :text="problem" />
    </div>
  </Dialog>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 1.1rem;
}
section {
  display: grid;
  gap: 0.5rem;
  justify-items: start;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
}
.drop {
  display: grid;
  gap: 0.5rem;
  width: 100%;
  border: 1px dashed var(--ink-3);
  border-radius: 8px;
  padding: 0.9rem;
  font-size: 0.93rem;
}
.drop.over {
  border-color: var(--jade);
  background: var(--jade-soft);
}
</style>
