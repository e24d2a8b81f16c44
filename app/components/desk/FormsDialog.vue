<script setup lang="ts">
import { FORMS, type Form } from "#core/forms";
import { prettyUnit } from "#core/explain";
import { latexOf, latexName, parse } from "#core/formula";

const props = defineProps<{ wanted?: string | null }>();
const visible = defineModel<boolean>("visible", { required: true });
const store = useCaseStore();
const search = ref("");
/** Compared by identity with those of the list, so that it may not be wrapped. */
const chosen = shallowRef<Form>(FORMS[0]!);
const found = computed(() => {
  const words = search.value
    .toLowerCase()
    .split(/\s+/)
    .filter((w) => w);
  return FORMS.filter((f) =>
    words.every((w) =>
      `${f.title} ${f.meaning} ${f.group} ${f.functions.map((r) => r.label).join(" ")}`.toLowerCase().includes(w),
    ),
  );
});
watch(
  visible,
  (now) => {
    if (now && props.wanted) {
      search.value = "";
      chosen.value = FORMS.find((f) => f.id === props.wanted) ?? chosen.value;
    }
  },
  { immediate: true },
);
const groups = computed(() =>
  [...new Set(found.value.map((f) => f.group))].map((group) => ({
    group,
    forms: found.value.filter((f) => f.group === group),
  })),
);
watch(found, (list) => {
  if (list.length > 0 && !list.includes(chosen.value)) chosen.value = list[0]!;
});

function latex(form: Form, i: number): string {
  const f = form.functions[i]!;
  const head = `${latexName(f.name)}(${latexName(f.of)}) = `;
  if (f.by.kind !== "formula")
    return f.by.kind === "total"
      ? `${head}\\int_0^{${latexName(f.of)}} ${latexName(f.by.function)}`
      : f.by.kind === "slope"
        ? `${head}${latexName(f.by.function)}'(${latexName(f.of)})`
        : "";
  const known = new Set([...form.functions.map((r) => r.name), "exp", "ln", "sqrt", "step"]);
  const parsed = parse(f.by.text, (n) => known.has(n));
  return parsed.ok ? head + latexOf(parsed.syntax) : "";
}
function put(): void {
  store.apply({ kind: "putForm", form: chosen.value });
  visible.value = false;
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Forms" :style="{ width: '52rem', maxWidth: '96vw' }">
    <div class="forms">
      <div class="side">
        <InputText
          v-model="search"
          aria-label="Search the forms"
          placeholder="interest, launch, demand …"
          fluid
          autofocus
        />
        <p v-if="found.length === 0" class="quiet">No form has these words.</p>
        <div class="list" role="radiogroup" aria-label="Forms">
          <template v-for="g in groups" :key="g.group">
            <p class="panel-title">{{ g.group }}</p>
            <label v-for="f in g.forms" :key="f.id" :class="{ on: f === chosen }"
              ><RadioButton v-model="chosen" name="form" class="sr-only" :value="f" />{{ f.title }}</label
            >
          </template>
        </div>
      </div>
      <article>
        <h3>{{ chosen.title }}</h3>
        <p>{{ chosen.meaning }}</p>
        <p v-for="(f, i) in chosen.functions" :key="f.name" class="line">
          <MathText v-if="latex(chosen, i)" :latex="latex(chosen, i)" /><span v-else
            >{{ f.name }}({{ f.of }}) by pieces</span
          ><span class="quiet">{{ f.label }}{{ f.unit ? `, ${prettyUnit(f.unit)}` : "" }}</span>
        </p>
        <dl>
          <dt><MathText :latex="latexName(chosen.variable.name)" :text="chosen.variable.name" /></dt>
          <dd>{{ chosen.variable.label }}{{ chosen.variable.unit ? `, ${prettyUnit(chosen.variable.unit)}` : "" }}</dd>
          <template v-for="g in chosen.givens" :key="g.name"
            ><dt><MathText :latex="latexName(g.name)" :text="g.name" /></dt>
            <dd>{{ g.label }}{{ g.unit ? `, ${prettyUnit(g.unit)}` : "" }}</dd></template
          >
        </dl>
        <p class="quiet">{{ chosen.source }}</p>
        <Button label="Put on the desk" @click="put" />
      </article>
    </div>
  </Dialog>
</template>

<style scoped>
.forms {
  display: grid;
  grid-template-columns: minmax(0, 17rem) minmax(0, 1fr);
  gap: 1.4rem;
  min-height: 22rem;
  /* room for the ring of a field that has the focus */
  padding-top: 4px;
}
.list {
  max-height: 22rem;
  overflow: auto;
  margin-top: 0.6rem;
  display: grid;
  gap: 1px;
  align-content: start;
}
.list .panel-title {
  margin: 0.6rem 0 0.2rem;
}
label {
  padding: 4px 8px;
  border-radius: 5px;
  cursor: pointer;
}
label:hover {
  background: var(--ground);
}
label.on,
label.on:hover {
  background: var(--jade-soft);
  color: var(--jade);
  font-weight: 600;
}
label:has(:focus-visible) {
  outline: 2px solid var(--jade);
}
article {
  display: grid;
  gap: 0.7rem;
  align-content: start;
  justify-items: start;
}
h3 {
  font-family: var(--book);
  font-size: 1.25rem;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1rem;
  align-items: baseline;
  max-width: 100%;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.2rem 1rem;
  margin: 0;
}
dt {
  font-family: var(--book);
  font-style: italic;
}
dd {
  margin: 0;
  color: var(--ink-2);
}
@media (max-width: 640px) {
  .forms {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
