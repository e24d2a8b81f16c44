<script setup lang="ts">
import { trailOf, type Desk } from "#core/desk";
import type { CaseFile } from "#core/model";

/**
 * The trail of one thing as a list, for those who cannot see it lit: what it came from, and what comes of it. Each
 * entry leads there.
 */
const props = defineProps<{ document: CaseFile; desk: Desk; start: string | null }>();
const emit = defineEmits<{ data: [table: string] }>();
const visible = defineModel<boolean>("visible", { required: true });

function say(key: string): string {
  const [kind, name = ""] = [key.slice(0, key.indexOf(":")), key.slice(key.indexOf(":") + 1)];
  if (kind === "question") return props.desk.findings.find((f) => f.id === name)?.says ?? name;
  if (kind === "given") {
    const g = props.desk.givens.find((r) => r.name === name);
    return `given ${name}${g?.label ? `, ${g.label}` : ""} = ${g?.shown ?? ""}`;
  }
  if (kind === "variable") {
    const v = props.desk.variables.find((r) => r.name === name);
    return `variable ${name}${v?.label ? `, ${v.label}` : ""}, ${v?.range ?? ""}`;
  }
  if (kind === "data") return sayTable(name);
  const f = props.desk.functions.find((r) => r.name === name);
  return `function ${name}${f?.label ? `, ${f.label}` : ""}: ${f?.text ?? ""}`;
}
/** A table, and how what is asked about was fitted to it. */
function sayTable(name: string): string {
  const rows = props.document.data?.find((t) => t.name === name)?.rows.length ?? 0;
  const by = props.document.functions?.find((f) => `function:${f.name}` === props.start)?.by;
  const fitted = by?.kind === "fit" && by.data === name ? `: ${by.model} model of ${by.y} over ${by.x}` : "";
  return `data ${name}, ${rows} rows${fitted}`;
}
const phrases = computed(() => {
  const name = props.start?.split(":")[1];
  const story = props.document.story;
  return (story?.marks ?? []).filter((m) => m.of === name).map((m) => story!.text.slice(m.start, m.end));
});
/** Keys on one side, near ones first. */
function side(way: "from" | "to"): string[] {
  if (!props.start) return [];
  const links = props.desk.links.map(([a, b]) => (way === "from" ? ([b, a] as const) : ([a, b] as const)));
  const out: string[] = [];
  const visit = (key: string) => {
    for (const [a, b] of links)
      if (a === key && b !== props.start && !out.includes(b)) {
        out.push(b);
        visit(b);
      }
  };
  visit(props.start);
  return out;
}
const from = computed(() => side("from"));
const to = computed(() => side("to"));
const size = computed(() => (props.start ? trailOf(props.start, props.desk.links).size - 1 : 0));
function go(key: string): void {
  visible.value = false;
  const [kind, name = ""] = [key.slice(0, key.indexOf(":")), key.slice(key.indexOf(":") + 1)];
  if (kind === "data") {
    emit("data", name);
    return;
  }
  const attribute = { given: "data-given", variable: "data-variable", function: "data-name", question: "data-id" }[
    kind
  ];
  // The dialog gives the focus back to where it was; the row takes it after that.
  setTimeout(() => {
    const row = window.document.querySelector<HTMLElement>(`[${attribute}="${CSS.escape(name)}"]`);
    row?.focus();
    row?.scrollIntoView({ block: "nearest" });
  }, 60);
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Trail" :style="{ width: '34rem', maxWidth: '95vw' }">
    <template v-if="start">
      <p class="what">{{ say(start) }}</p>
      <p v-if="phrases.length > 0" class="quiet">In the story: {{ phrases.map((p) => `“${p}”`).join(", ") }}</p>
      <h3 id="trail-from" class="panel-title">Came from</h3>
      <p v-if="from.length === 0" class="quiet">Nothing on the desk: it starts here.</p>
      <ul aria-labelledby="trail-from">
        <li v-for="k in from" :key="k">
          <Button link @click="go(k)">{{ say(k) }}</Button>
        </li>
      </ul>
      <h3 id="trail-to" class="panel-title">What comes of it</h3>
      <p v-if="to.length === 0" class="quiet">Nothing uses it yet.</p>
      <ul aria-labelledby="trail-to">
        <li v-for="k in to" :key="k">
          <Button link @click="go(k)">{{ say(k) }}</Button>
        </li>
      </ul>
      <p class="sr-only">{{ size }} in all</p>
    </template>
  </Dialog>
</template>

<style scoped>
.what {
  font-family: var(--book);
  font-size: 1.1rem;
}
h3 {
  margin: 0.9rem 0 0.3rem;
}
li {
  padding: 2px 0;
}
.p-button-link {
  text-align: left;
  font-weight: 400;
  font-size: 0.95rem;
}
</style>
