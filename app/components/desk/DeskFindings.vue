<script setup lang="ts">
import { changeSlot, suggestions, type Suggestion } from '#core/story'
import { buildModel, functionsOf, type CaseFile, type Question } from '#core/model'
import { ROUNDINGS, type Slot } from '#core/explain'
import { findingLatex, findingText, type Desk, type DeskFinding } from '#core/desk'
import type { Slip } from '#core/slips'
import type { GhostAnswer } from '~/workers/protocol'

const props = defineProps<{ document: CaseFile; desk: Desk | null; lit: ReadonlySet<string> | null; stale: boolean; slips: readonly Slip[]; ghost: readonly GhostAnswer[]; ghostName: string | null }>()
const emit = defineEmits<{ point: [key: string | null]; begin: [text: string]; look: [view: { from: number; to: number }] }>()
const store = useCaseStore()
const toast = useToast()

const questions = computed(() => props.document.questions ?? [])
const offers = shallowRef<Suggestion[]>([])
// Offers follow the finished analysis, so that typing does not make them flicker.
watch(() => props.desk, () => { offers.value = suggestions(buildModel(props.document)) }, { immediate: true })
function ask(offer: Suggestion): void {
  store.change('ask a suggested question', (d) => { d.questions = [...(d.questions ?? []), offer.question] })
}
const cards = computed(() => questions.value.map((q) => ({ q, card: props.desk?.findings.find((f) => f.id === q.id) ?? null })))
const dim = (id: string) => props.lit !== null && !props.lit.has(`question:${id}`)

function optionsOf(slot: Slot): { value: string; text: string }[] | null {
  if (slot === 'function' || slot === 'functions.0' || slot === 'functions.1') return (props.document.functions ?? []).map((f) => ({ value: f.name, text: f.label ? `${f.label} ${f.name}` : f.name }))
  if (slot === 'given') return (props.document.givens ?? []).map((g) => ({ value: g.name, text: g.label ? `${g.label} ${g.name}` : g.name }))
  if (slot === 'relation') return [['>=', 'at least'], ['>', 'above'], ['<=', 'at most'], ['<', 'below']].map(([value, text]) => ({ value: value!, text: text! }))
  if (slot === 'round') return ROUNDINGS.map((r) => ({ value: r.value, text: r.text }))
  if (slot === 'ask') return ['greatest', 'least'].map((w) => ({ value: w, text: w }))
  return null
}
/** What stands in the field when a part is opened: the name, the sign or the bare numbers. */
function present(q: Question, slot: Slot, shown: string): string {
  const text = (a: unknown): string => (typeof a === 'object' && a !== null ? `${'pick' in a && a.pick ? `${String(a.pick)} ` : ''}answer of ${(a as { of: string }).of}` : String(a ?? ''))
  if (slot === 'functions.0' || slot === 'functions.1') return 'functions' in q ? q.functions[slot === 'functions.1' ? 1 : 0] ?? '' : ''
  if (slot === 'range') return q.from === undefined && q.to === undefined ? shown.replace(/\s*[^\d…∞−.,]+$/u, '').replace(/^.*=\s*/, '') : `${text(q.from)} … ${text(q.to)}`
  if (slot === 'between' && 'between' in q && q.between) return q.between.map(text).join(' … ')
  if (slot === 'givenRange' && q.ask === 'given') return q.range.map(text).join(' … ')
  return text((q as unknown as Record<string, unknown>)[slot])
}
const slipsOf = (id: string) => props.slips.filter((s) => s.key === `question:${id}`)
const was = (id: string, says: string) => { const g = props.ghost.find((a) => a.id === id); return g && g.says !== says ? g.says : null }

/** Workings that are open; only those are typeset, and follow a given while it is dragged. */
const unfolded = reactive(new Set<string>())
function unfold(id: string, event: Event): void { if ((event.target as HTMLDetailsElement).open) unfolded.add(id); else unfolded.delete(id) }

// ---- what matters most
const document_ = computed(() => props.document)
const influence = useInfluence(document_)
function weigh(id: string): void { if (influence.question.value === id) influence.close(); else influence.open(id) }

// ---- a closer look at one answer
const closeUp = ref<string | null>(null)
function ends(q: Question, card: DeskFinding): { from: number; to: number } | null {
  const places = card.solutions.map((s) => s.at)
  if (places.length === 0) return null
  const v = buildModel(props.document).variables.get(buildModel(props.document).functions.get(functionsOf(q)[0] ?? '')?.of ?? '')
  const [lo, hi] = [Math.min(...places), Math.max(...places)]
  const range = v?.from && v.to ? Number(v.to.sub(v.from).valueOf()) : Math.max(1, Math.abs(hi) * 2)
  const room = hi > lo ? (hi - lo) * 0.25 : range * 0.06
  return { from: lo - room, to: hi + room }
}
async function copy(card: DeskFinding, kind: 'text' | 'latex'): Promise<void> {
  const open = window.document.querySelector(`[data-id="${CSS.escape(card.id)}"] details[open]`) !== null
  try {
    await navigator.clipboard.writeText(kind === 'text' ? findingText(card, open) : findingLatex(card, open))
    toast.add({ severity: 'info', summary: `The finding is copied${kind === 'latex' ? ' as LaTeX' : ''}${open && card.working.length > 0 ? ', with its working' : ''}.`, life: 2500 })
  } catch { toast.add({ severity: 'warn', summary: 'The browser does not allow copying here.', life: 4000 }) }
}
const check = (q: Question, slot: Slot) => (text: string): string | null => {
  const result = changeSlot(q, slot, text, buildModel(props.document))
  return result.ok ? null : result.message
}
function keep(q: Question, slot: Slot, text: string): void {
  const result = changeSlot(q, slot, text, buildModel(props.document))
  if (result.ok) store.change('change a question', (d) => { d.questions![d.questions!.findIndex((r) => r.id === q.id)] = result.question })
}
function remove(q: Question): void {
  const needed = (props.desk?.links ?? []).filter(([from]) => from === `question:${q.id}`).map(([, to]) => to.split(':')[1]!)
  store.change('delete a question', (d) => { d.questions = d.questions!.filter((r) => r.id !== q.id) })
  toast.add({ severity: needed.length > 0 ? 'warn' : 'info', summary: 'The question is deleted.', detail: needed.length > 0 ? `${needed.join(', ')} used its answer. Undo brings it back.` : 'Undo brings it back.', life: 6000 })
}
</script>

<template>
  <section class="panel findings" aria-labelledby="findings-title">
    <div class="panel-head">
      <h2 id="findings-title" class="panel-title" tabindex="-1">Findings<span class="panel-count">{{ questions.length }}</span></h2>
      <button type="button" class="word-button" @click="emit('begin', '')">+ Question</button>
    </div>
    <p v-if="questions.length === 0" class="quiet">No question yet. A line with a question mark asks: <code>R = C ?</code>, <code>greatest P ?</code>, <code>P(250) ?</code></p>
    <ol>
      <li
        v-for="{ q, card } in cards" :key="q.id" class="card" :class="{ dim: dim(q.id), first: lit?.has(`question:${q.id}`), stale, broken: card?.status === 'error' }" tabindex="-1" data-row :data-id="q.id"
        @mouseenter="emit('point', `question:${q.id}`)" @mouseleave="emit('point', null)" @focusin="emit('point', `question:${q.id}`)" @focusout="emit('point', null)"
      >
        <p v-if="card" class="question">
          <template v-for="(part, i) in card.question" :key="i"><EditText
            v-if="part.slot" :value="present(q, part.slot, part.text)" :label="`Part of the question: ${part.text}`" :options="optionsOf(part.slot)" :check="check(q, part.slot)" @keep="keep(q, part.slot, $event)"
          >{{ part.text }}</EditText><template v-else>{{ part.text }}</template></template>
          <span class="id">{{ q.id }}</span>
        </p>
        <p v-if="card" class="says"><PlainText :text="card.says" /></p>
        <p v-for="e in card?.exact ?? []" :key="e.text" class="exact" tabindex="0">exact <MathText :latex="e.latex" :text="e.text" /> ≈ {{ e.near }}</p>
        <p v-for="d in card?.details ?? []" :key="d" class="quiet">{{ d }}</p>
        <p v-if="card?.message" class="problem"><PlainText :text="card.message" /></p>
        <p v-if="card && was(q.id, card.says)" class="quiet">{{ ghostName }}: <PlainText :text="was(q.id, card.says)!" /></p>
        <SlipNote v-for="s in slipsOf(q.id)" :key="s.message" :slip="s" />
        <ul v-if="card && card.chips.length > 0" class="chips"><li v-for="c in card.chips" :key="c.text" :class="c.tone">{{ c.text }}</li></ul>
        <details v-if="card && card.working.length > 0" class="working" @toggle="unfold(q.id, $event)">
          <summary>working</summary>
          <ol v-if="unfolded.has(q.id)" tabindex="0" aria-label="Steps"><li v-for="(w, i) in card.working" :key="i"><span>{{ w.says }}</span><MathText :latex="w.latex" :text="w.text" /></li></ol>
        </details>
        <p v-if="card && card.status !== 'error'" class="more">
          <button v-if="card.solutions.length > 0" type="button" class="word-button" :aria-expanded="closeUp === q.id" @click="closeUp = closeUp === q.id ? null : q.id">close-up</button>
          <button type="button" class="word-button" :aria-expanded="influence.question.value === q.id" @click="weigh(q.id)">what matters most</button>
          <button type="button" class="word-button" @click="copy(card, 'text')">copy</button>
          <button type="button" class="word-button" @click="copy(card, 'latex')">copy as LaTeX</button>
        </p>
        <CloseUp v-if="card && closeUp === q.id && ends(q, card)" :document="document" :question="q" :ends="ends(q, card)!" @look="emit('look', $event)" />
        <InfluenceBars v-if="influence.question.value === q.id" :report="influence.report.value" :state="influence.state.value" />
        <button type="button" class="icon-button bin" :aria-label="`Delete question ${q.id}`" @click="remove(q)"><IconBin /></button>
      </li>
    </ol>
    <div v-if="offers.length > 0" class="offers">
      <p class="quiet">You could ask:</p>
      <ul><li v-for="o in offers" :key="o.says"><button type="button" class="offer" @click="ask(o)">{{ o.says }}</button></li></ul>
    </div>
  </section>
</template>

<style scoped>
.findings { background: var(--panel); }
.offers { margin-top: 0.8rem; }
.offers ul { display: grid; gap: 0.3rem; margin-top: 0.3rem; justify-items: start; }
.offer { border: 1px dashed var(--ink-3); background: none; border-radius: 12px; padding: 3px 11px; cursor: pointer; font-size: 0.9rem; color: var(--ink); text-align: left; }
.offer:hover { border-color: var(--jade); color: var(--jade); background: var(--jade-soft); }
.card { position: relative; padding: 0.6rem 0.8rem; margin-bottom: 0.6rem; background: var(--paper); border: 1px solid var(--hairline); border-radius: 8px; display: grid; gap: 0.25rem; }
.card.first { border-color: var(--amber); box-shadow: 0 0 0 2px var(--amber-soft); }
.card.dim { opacity: 0.4; }
.card.stale .says, .card.stale .exact { opacity: 0.5; }
.card.broken .says { color: var(--brick); font-size: 0.95rem; font-family: var(--face); font-weight: 400; }
.question { font-size: 0.93rem; color: var(--ink-2); padding-right: 1.4rem; line-height: 1.5; }
.id { color: var(--ink-3); font-size: 0.8rem; margin-left: 0.5rem; }
.says { font-family: var(--book); font-size: 1.13rem; font-weight: 650; line-height: 1.35; }
.exact { font-size: 0.9rem; color: var(--ink-2); overflow-x: auto; overflow-y: hidden; padding: 3px 0 5px; }
.chips { display: flex; flex-wrap: wrap; gap: 0.3rem 0.4rem; padding-top: 0.15rem; }
.chips li { font-size: 0.8rem; padding: 2px 9px; border-radius: 10px; }
.chips .sure { background: var(--jade-soft); color: var(--jade); }
.chips .aside { background: var(--brick-soft); color: var(--brick); }
.chips .open { background: var(--amber-soft); color: var(--amber-deep); }
summary { cursor: pointer; color: var(--jade); font-weight: 600; font-size: 0.85rem; width: fit-content; }
.working ol { overflow-x: auto; overflow-y: hidden; display: grid; gap: 0.35rem; padding: 0.4rem 0 0.2rem 0.6rem; border-left: 2px solid var(--hairline); }
.working li { display: grid; gap: 0.1rem; font-size: 0.87rem; color: var(--ink-2); }
.more { display: flex; flex-wrap: wrap; gap: 0.2rem 1rem; }
.more .word-button { font-size: 0.85rem; font-weight: 400; }
.bin { position: absolute; top: 0.45rem; right: 0.4rem; opacity: 0; }
.card:hover .bin, .card:focus-within .bin { opacity: 1; }
</style>
