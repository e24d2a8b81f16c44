<script setup lang="ts">
import { helpTopics, type HelpItem } from "#core/help";
import type { CaseFile } from "#core/model";
import { KEYS } from "~/utils/keys";

/** What can be written, asked and pressed, with examples in the names of the case; searched by any word. */
const visible = defineModel<boolean>("visible", { required: true });
const props = defineProps<{ document: CaseFile }>();
const emit = defineEmits<{ try: [line: string] }>();

const search = ref("");
const KEY_ITEMS: HelpItem[] = KEYS.map(([what, says]) => ({ what, says, lines: [] }));
const topics = computed(() => [...helpTopics(props.document), { title: "Keys", items: KEY_ITEMS }]);
const found = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (title: string, { what, says, lines }: HelpItem) => {
    const text = `${title} ${what} ${says} ${lines.join(" ")}`.toLowerCase();
    return words.every((word) => text.includes(word));
  };
  return topics.value
    .map(({ title, items }) => ({ title, items: items.filter((item) => fits(title, item)) }))
    .filter(({ items }) => items.length > 0);
});
function tryIt(line: string): void {
  visible.value = false;
  emit("try", line);
}
const page = useTemplateRef<HTMLElement>("page");
function goTo(title: string): void {
  page.value?.querySelector(`[data-topic="${title}"]`)?.scrollIntoView({ block: "start" });
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Help" :style="{ width: '56rem', maxWidth: '96vw' }">
    <div class="help">
      <div class="side">
        <InputText v-model="search" aria-label="Search the help" placeholder="doubles, range …" fluid autofocus />
        <ul aria-label="Topics">
          <li v-for="t in found" :key="t.title">
            <Button link @click="goTo(t.title)">{{ t.title }}</Button>
          </li>
        </ul>
      </div>
      <div ref="page" class="page" tabindex="0" role="region" aria-label="Help, topic by topic">
        <p v-if="found.length === 0" class="quiet" role="status">Nothing here has these words.</p>
        <section v-for="t in found" :key="t.title" :data-topic="t.title">
          <h3 class="panel-title">{{ t.title }}</h3>
          <dl>
            <template v-for="item in t.items" :key="item.what">
              <dt>{{ item.what }}</dt>
              <dd>
                <span v-if="item.says">{{ item.says }}</span>
                <ul v-if="item.lines.length > 0">
                  <li v-for="line in item.lines" :key="line">
                    <code>{{ line }}</code>
                    <Button link :aria-label="`Try ${line}`" @click="tryIt(line)">try it</Button>
                  </li>
                </ul>
              </dd>
            </template>
          </dl>
        </section>
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.help {
  display: grid;
  grid-template-columns: minmax(0, 12rem) minmax(0, 1fr);
  gap: 1.4rem;
  height: min(34rem, 68vh);
}
/* Room for the ring of what is in focus. */
.side {
  padding: 4px;
}
.side ul {
  display: grid;
  gap: 0.2rem;
  margin-top: 0.8rem;
  justify-items: start;
}
.page {
  overflow-y: auto;
  padding-right: 0.6rem;
}
section + section {
  margin-top: 1.4rem;
}
dl {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 0.55rem 1.2rem;
  margin: 0.6rem 0 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
  color: var(--ink-2);
}
dd li {
  display: flex;
  gap: 0.7rem;
  align-items: baseline;
}
code {
  color: var(--ink);
}
@media (max-width: 640px) {
  .help,
  dl {
    grid-template-columns: minmax(0, 1fr);
  }
  .help {
    height: auto;
  }
  dt {
    margin-top: 0.3rem;
  }
}
</style>
