<script setup lang="ts">
import { interpret, withEntry } from '#core/story'
import type { CaseFile } from '#core/model'

const props = defineProps<{ document: CaseFile }>()
const emit = defineEmits<{ added: [key: string] }>()
const store = useCaseStore()
const field = useTemplateRef<HTMLInputElement>('field')
const text = ref('')
const focused = ref(false)
const history = ref<string[]>([])
const back = ref(0)
/** What was typed before walking back through the history. */
const kept = ref('')

const preview = computed(() => (text.value.trim() === '' ? null : interpret(text.value, props.document)))
/** The line with the wrong part marked under it. */
const wrong = computed(() => {
  const p = preview.value
  if (!p || p.ok || p.end <= p.at || (p.at === 0 && p.end >= text.value.length)) return null
  return { before: text.value.slice(0, p.at), part: text.value.slice(p.at, p.end) }
})

function enter(): void {
  const p = preview.value
  if (!p?.ok) return
  const key = 'name' in p.entry.row ? `${p.entry.kind}:${p.entry.row.name}` : `question:${p.entry.row.id}`
  store.replace(p.says, withEntry(props.document, p.entry))
  history.value.push(text.value)
  back.value = 0
  text.value = ''
  emit('added', key)
}
function walk(step: number): void {
  const next = back.value + step
  if (next < 0 || next > history.value.length) return
  if (back.value === 0) kept.value = text.value
  back.value = next
  text.value = next === 0 ? kept.value : history.value[history.value.length - next]!
}
function pasted(event: ClipboardEvent): void {
  const lines = (event.clipboardData?.getData('text') ?? '').split(/\r?\n/).map((l) => l.trim()).filter((l) => l)
  if (lines.length < 2) return
  event.preventDefault()
  // Several lines become several entries, as far as they can be read; the first that cannot stays in the line.
  let next = props.document
  let stopped = ''
  for (const line of lines) {
    const read = stopped ? null : interpret(line, next)
    if (read?.ok) next = withEntry(next, read.entry)
    else { stopped ||= line }
  }
  if (next !== props.document) store.replace('paste several lines', next)
  text.value = stopped
}
function begin(start: string): void { text.value = start; field.value?.focus(); void nextTick(() => field.value?.setSelectionRange(start.length, start.length)) }
defineExpose({ focus: () => field.value?.focus(), begin })
</script>

<template>
  <form class="entry" aria-label="Entry line" @submit.prevent="enter">
    <div class="line" :class="{ focused, bad: preview && !preview.ok }">
      <span class="sign" aria-hidden="true">›</span>
      <div class="writing">
        <input
          ref="field" v-model="text" type="text" aria-label="Entry line: a given, a variable, a function or a question" aria-describedby="entry-says" autocomplete="off" autocapitalize="off" spellcheck="false"
          placeholder="R = C ?" maxlength="2100"
          @focus="focused = true" @blur="focused = false" @keydown.up.prevent="walk(1)" @keydown.down.prevent="walk(-1)" @keydown.esc="field?.blur()" @paste="pasted"
        >
        <span v-if="wrong" class="squiggle" aria-hidden="true"><i>{{ wrong.before }}</i><b>{{ wrong.part }}</b></span>
      </div>
      <p v-if="preview?.ok" id="entry-says" class="says" role="status">{{ preview.says }} <kbd>Enter</kbd></p>
      <p v-else-if="preview" id="entry-says" class="says wrong" role="status"><PlainText :text="preview.message" /></p>
      <p v-else id="entry-says" class="sr-only">A line with a question mark at its end asks.</p>
    </div>
    <p v-if="preview?.ok && preview.warning" class="aside brick"><PlainText :text="preview.warning" /></p>
    <p v-else class="aside">a given <b>F = 180 $</b> · a function <b>P(q) = R − C</b> · a question <b>R = C ?</b></p>
  </form>
</template>

<style scoped>
.entry { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 0.8rem; align-items: center; padding: 0.5rem 1.1rem; background: var(--paper); border-block: 1px solid var(--hairline); }
.line { display: flex; align-items: center; gap: 0.6rem; min-height: 36px; padding: 0 0.8rem; border: 1px solid var(--ink-3); border-radius: 8px; background: var(--paper); flex-wrap: wrap; }
.line.focused { border-color: var(--jade); box-shadow: 0 0 0 3px var(--jade-soft); }
.line.bad { border-color: var(--brick); }
.sign { color: var(--jade); font-weight: 700; }
.writing { position: relative; flex: 1 1 14rem; }
input { width: 100%; border: 0; outline: 0; background: none; font: inherit; font-size: 1.05rem; color: inherit; padding: 6px 0; }
input::placeholder { color: var(--ink-3); }
.squiggle { position: absolute; left: 0; bottom: 2px; font-size: 1.05rem; white-space: pre; pointer-events: none; overflow: hidden; max-width: 100%; color: transparent; height: 1.5em; }
.squiggle i { font-style: normal; }
.squiggle b { font-weight: 400; text-decoration: underline wavy var(--brick) 1.5px; text-underline-offset: 4px; }
.says { padding: 3px 9px; border-radius: 6px; background: var(--jade-soft); color: var(--jade); font-size: 0.9rem; max-width: 100%; }
.says.wrong { background: var(--brick-soft); color: var(--brick); margin-block: 3px; }
kbd { font: inherit; font-size: 0.8rem; padding: 1px 6px; margin-left: 6px; border: 1px solid var(--hairline); border-radius: 4px; background: var(--paper); color: var(--ink); }
.aside { color: var(--ink-2); font-size: 0.85rem; max-width: 24rem; }
.aside b { font-weight: 600; color: var(--ink); white-space: nowrap; }
.brick { color: var(--brick); }
@media (max-width: 900px) { .entry { grid-template-columns: minmax(0, 1fr); } .aside { display: none; } .aside.brick { display: block; } }
</style>
