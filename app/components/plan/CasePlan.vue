<script setup lang="ts">
import { formatNumber, formatQuantity } from '#core/explain'
import { roundStep } from '#core/graph'
import { buildModel, type CaseFile, type Plan } from '#core/model'
import { readConstraint, readForm } from '#core/plan'
import { parseUnit } from '#core/units'
import { useDataWorker } from '~/composables/useData'
import type { DataReply } from '~/workers/dataProtocol'

const props = defineProps<{ document: CaseFile }>()
const store = useCaseStore()
const toast = useToast()
const worker = useDataWorker()
const reply = shallowRef<Extract<DataReply, { kind: 'plan' }> | null>(null)
const failure = ref<string | null>(null)
const plan = computed(() => props.document.plan ?? null)
const pointed = ref<string | null>(null)
const ruledOut = ref(false)

watch(() => [props.document.plan, props.document.givens], async () => {
  if (!plan.value) { reply.value = null; return }
  try { const r = await worker.ask<'plan'>({ kind: 'plan', source: toRaw(props.document) }); if (r) { reply.value = r; failure.value = null } } catch (reason) { failure.value = reason instanceof Error ? reason.message : String(reason) }
}, { immediate: true })
const result = computed(() => reply.value?.reading.result ?? null)
const words = computed(() => reply.value?.words ?? null)
const errorsOf = (path: string) => (reply.value?.reading.errors ?? []).filter((e) => e.path.startsWith(path)).map((e) => e.message)
const notesOf = (path: string) => (reply.value?.reading.warnings ?? []).filter((e) => e.path.startsWith(path)).map((e) => e.message)
const colours = computed(() => Object.fromEntries((plan.value?.constraints ?? []).map((c, i) => [c.id, [1, 3, 2, 6, 4, 5, 0][i % 7]!])))
const unit = computed(() => (plan.value?.objective?.unit ? parseUnit(plan.value.objective.unit).unit : null))
const names = computed(() => buildModel({ ...props.document, functions: [], questions: [] }).names)
const variables = computed(() => plan.value?.variables.map((v) => v.name) ?? [])

// ---- writing
const line = ref('')
const problem = ref<string | null>(null)
function change(name: string, recipe: (p: Plan) => void): void { store.change(name, (d) => { d.plan ??= { variables: [], constraints: [] }; recipe(d.plan) }) }
const freeId = (taken: readonly string[]): string => { for (let i = 0; ; i++) { const id = i < 26 ? String.fromCharCode(65 + i) : `C${i - 25}`; if (!taken.includes(id)) return id } }
const WORDS = /\p{L}[\p{L}\p{Nd}_]*/gu
/** Adds what a line says: `greatest 3.5x + 4y`, or a constraint, with words behind a colon before it. New names become variables. */
function add(text: string): string | null {
  const t = text.trim()
  if (t === '') return null
  const goal = /^(?:make\s+)?(greatest|least)\s+(.+)$/i.exec(t)
  const labelled = /^([^:<>=≤≥]+):\s*(.+)$/.exec(t)
  const body = goal ? goal[2]! : labelled ? labelled[2]! : t
  const fresh: string[] = [...new Set<string>(body.match(WORDS) ?? [])].filter((w) => !variables.value.includes(w) && !names.value.givens.has(w) && w !== 'e' && w !== 'pi')
  const all = [...variables.value, ...fresh]
  if (goal) {
    const [, unitText] = /\s+in\s+(\S+)$/.exec(body) ?? []
    const formula = unitText && parseUnit(unitText).unit ? body.replace(/\s+in\s+\S+$/, '') : body
    const kept: string[] = [...new Set<string>(formula.match(WORDS) ?? [])].filter((w) => fresh.includes(w))
    const read = readForm(formula, [...variables.value, ...kept], names.value)
    if (!read.ok) return read.problem.message
    change('set the objective', (p) => { for (const name of kept) p.variables.push({ name }); p.objective = { text: formula.trim(), sense: goal[1]!.toLowerCase() as 'greatest', ...(unitText && parseUnit(unitText).unit ? { unit: unitText } : p.objective?.unit ? { unit: p.objective.unit } : {}) } })
    return null
  }
  const read = readConstraint(body, all, names.value)
  if (!read.ok) return read.problem.message
  change('add a constraint', (p) => { for (const name of fresh) p.variables.push({ name }); p.constraints.push({ id: freeId(p.constraints.map((c) => c.id)), text: body, ...(labelled ? { label: labelled[1]!.trim() } : {}) }) })
  return null
}
function enter(): void { problem.value = add(line.value); if (!problem.value) line.value = '' }
function pasted(event: ClipboardEvent): void {
  const lines = (event.clipboardData?.getData('text') ?? '').split(/\r?\n/).map((l) => l.trim()).filter((l) => l)
  if (lines.length < 2) return
  event.preventDefault()
  for (const [i, l] of lines.entries()) { const wrong = add(l); if (wrong) { problem.value = wrong; line.value = lines.slice(i).join('\n').split('\n')[0]!; return } }
  problem.value = null
}
const checkConstraint = (text: string): string | null => { const r = readConstraint(text, variables.value, names.value); return r.ok ? null : r.problem.message }
const checkObjective = (text: string): string | null => { const r = readForm(text, variables.value, names.value); return r.ok ? null : r.problem.message }
function removeConstraint(id: string): void { change(`delete the constraint ${id}`, (p) => { p.constraints = p.constraints.filter((c) => c.id !== id) }); toast.add({ severity: 'info', summary: `The constraint ${id} is deleted.`, detail: 'Undo brings it back.', life: 4000 }) }
function removeVariable(name: string): void {
  const needed = (plan.value?.constraints ?? []).filter((c) => (c.text.match(WORDS) ?? ([] as string[])).some((w) => w === name)).map((c) => c.id)
  change(`delete the variable ${name}`, (p) => { p.variables = p.variables.filter((v) => v.name !== name) })
  if (needed.length > 0) toast.add({ severity: 'warn', summary: `${name} is deleted.`, detail: `${needed.join(', ')} needed it. Undo brings it back.`, life: 6000 })
}
function setLabel(i: number, text: string): void { change('describe a constraint', (p) => { const c = p.constraints[i]!; if (text.trim()) c.label = text.trim(); else delete c.label }) }
function setVariable(i: number, field: 'label' | 'unit', text: string): void { change('describe a variable', (p) => { const v = p.variables[i]!; if (text.trim()) v[field] = text.trim()
    else Reflect.deleteProperty(v, field)
  }) }
const checkUnit = (text: string): string | null => { if (text.trim() === '') return null; const r = parseUnit(text); return r.unit ? null : `${r.reason}. Examples: $, lantern, kg.` }

// ---- givens that the plan uses are varied here too
const used = computed(() => { const words = new Set([...(plan.value?.constraints ?? []).map((c) => c.text), plan.value?.objective?.text ?? ''].flatMap((t) => t.match(WORDS) ?? ([] as string[]))); return (props.document.givens ?? []).filter((g) => words.has(g.name)) })
const givenText = (g: { value: number; unit?: string | undefined }) => formatQuantity(g.value, g.unit ? parseUnit(g.unit).unit : null, 12)
function slide(name: string, value: number | number[]): void { if (typeof value === 'number') store.change(`vary ${name}`, (d) => { d.givens!.find((g) => g.name === name)!.value = value }, `slide:${name}`) }
const stepOf = (g: { vary?: { from: number; to: number } | undefined }) => roundStep(g.vary!.to - g.vary!.from, 200)
async function copyConstraints(): Promise<void> {
  const quoted = (v: string) => (/[",\n]/.test(v) ? `"${v.replaceAll('"', '""')}"` : v)
  const rows = [['id', 'constraint', 'meaning', 'in force'], ...(plan.value?.constraints ?? []).map((c) => [c.id, c.text, c.label ?? '', c.off ? 'no' : 'yes'])]
  try { await navigator.clipboard.writeText(rows.map((r) => r.map(quoted).join(',')).join('\n')); toast.add({ severity: 'info', summary: 'The constraints are copied as CSV.', life: 2500 }) } catch { toast.add({ severity: 'warn', summary: 'The browser does not allow copying here.', life: 4000 }) }
}

// ---- reading
const labelOf = (id: string) => plan.value?.constraints.find((c) => c.id === id)?.label ?? id
const spare = (id: string): string => { const r = result.value; if (!r || r.best.length === 0) return ''; return r.slack[id] === undefined ? 'nothing left' : `${formatNumber(r.slack[id])} to spare` }
/** A worth for one more is a rate; money of it is not cut at the cent. */
const rate = (v: number): string => (unit.value && /^[$€£¥]$/.test(unit.value.text) ? `${v < 0 ? '−' : ''}${unit.value.text}${formatNumber(Math.abs(v), 6)}` : formatQuantity(v, unit.value, 6))
const range = (id: string) => { const e = result.value?.ranges[id]; if (!e) return ''; const [a, b] = e.map((v) => (v === null ? null : formatNumber(v))); return a && b ? `${a} … ${b}` : a ? `from ${a} on` : b ? `up to ${b}` : 'always' }
/** What a point leaves of every constraint. */
function leftAt(at: readonly number[]): { id: string; text: string; broken: boolean }[] {
  return (plan.value?.constraints ?? []).filter((c) => !c.off).flatMap((c) => {
    const read = readConstraint(c.text, variables.value, names.value)
    if (!read.ok) return []
    const rooms = read.relations.map((r) => { const v = r.coefficients.reduce((s, a, j) => s + Number(a.valueOf()) * at[j]!, 0) - Number(r.bound.valueOf()); return r.sense === '<=' ? -v : r.sense === '>=' ? v : -Math.abs(v) })
    const room = Math.min(...rooms)
    return [{ id: c.id, broken: room < -1e-9, text: room < -1e-9 ? `broken by ${formatNumber(-room, 4)}` : `${formatNumber(Math.max(0, room), 4)} left` }]
  })
}
const valueAt = (at: readonly number[]): string => { const o = plan.value?.objective; const r = o ? readForm(o.text, variables.value, names.value) : null; return r?.ok ? formatQuantity(r.form.coefficients.reduce((s, a, j) => s + Number(a.valueOf()) * at[j]!, Number(r.form.constant.valueOf())), unit.value, 6) : '' }
async function copyCorners(): Promise<void> {
  const r = result.value
  if (!r) return
  const rows = [['where', ...variables.value, 'value'], ...r.corners.map((c) => [c.on.map(labelOf).join(' and '), ...c.exact, String(c.value ?? '')])]
  try { await navigator.clipboard.writeText(rows.map((row) => row.map((v) => (/[",\n]/.test(v) ? `"${v.replaceAll('"', '""')}"` : v)).join(',')).join('\n')); toast.add({ severity: 'info', summary: 'The corners are copied as CSV.', life: 2500 }) } catch { toast.add({ severity: 'warn', summary: 'The browser does not allow copying here.', life: 4000 }) }
}
</script>

<template>
  <main class="plan">
    <section class="panel" aria-labelledby="objective-title">
      <h2 id="objective-title" class="panel-title">Objective</h2>
      <div v-if="plan?.objective" class="goal">
        <p>Make <EditText :value="plan.objective.sense" label="Greatest or least" :options="[{ value: 'greatest', text: 'greatest' }, { value: 'least', text: 'least' }]" @keep="change('change the objective', (p) => { p.objective!.sense = $event as 'greatest' })" />, in <EditText :value="plan.objective.unit ?? ''" placeholder="unit" label="Unit of the objective" :check="checkUnit" @keep="change('set the unit', (p) => { if ($event.trim()) p.objective!.unit = $event.trim(); else delete p.objective!.unit })" /></p>
        <p class="formula"><EditText :value="plan.objective.text" label="Objective" :check="checkObjective" @keep="change('change the objective', (p) => { p.objective!.text = $event })" /></p>
        <p v-for="e in errorsOf('plan.objective')" :key="e" class="problem"><PlainText :text="e" /></p>
      </div>
      <p v-else class="quiet">None yet. Write <code>greatest 3.5x + 4y in $</code> below.</p>
      <div class="panel-head second"><h2 class="panel-title">Constraints<span class="panel-count">{{ plan?.constraints.length ?? 0 }}</span></h2><button v-if="(plan?.constraints.length ?? 0) > 0" type="button" class="word-button" @click="copyConstraints">Copy constraints</button></div>
      <form class="add" @submit.prevent="enter"><label><span class="sr-only">A constraint or the objective</span><InputText v-model="line" fluid size="small" spellcheck="false" autocomplete="off" placeholder="paper: 2x + 3y <= 240" aria-label="A constraint or the objective" :invalid="problem !== null" @paste="pasted" @input="problem = null" /></label><p v-if="problem" class="problem" role="alert"><PlainText :text="problem" /></p></form>
      <ul>
        <li v-for="(c, i) in plan?.constraints ?? []" :key="c.id" class="row" :class="{ off: c.off }" @mouseenter="pointed = c.id" @mouseleave="pointed = null" @focusin="pointed = c.id" @focusout="pointed = null">
          <span class="id" :style="{ borderColor: `var(--curve-${colours[c.id]})`, color: `var(--curve-${colours[c.id]})` }">{{ c.id }}</span>
          <span class="formula"><EditText :value="c.text" :label="`Constraint ${c.id}`" :check="checkConstraint" @keep="change(`change ${c.id}`, (p) => { p.constraints[i]!.text = $event })" /></span>
          <span class="quiet spare">{{ c.off ? 'off' : spare(c.id) }}</span>
          <span class="tools"><button type="button" class="word-button" :aria-pressed="!c.off" :aria-label="`Constraint ${c.id} in force`" @click="change(c.off ? `use ${c.id} again` : `leave out ${c.id}`, (p) => { if (c.off) delete p.constraints[i]!.off; else p.constraints[i]!.off = true })">{{ c.off ? 'use' : 'off' }}</button><button type="button" class="icon-button" :aria-label="`Delete constraint ${c.id}`" @click="removeConstraint(c.id)"><IconBin /></button></span>
          <p class="note"><EditText plain :value="c.label ?? ''" placeholder="name it in words" :label="`Meaning of ${c.id}`" @keep="setLabel(i, $event)" /></p>
          <p v-for="e in [...errorsOf(`plan.constraints[${i}]`), ...notesOf(`plan.constraints[${i}]`)]" :key="e" class="problem note"><PlainText :text="e" /></p>
        </li>
      </ul>
      <template v-if="plan && plan.variables.length > 0">
        <div class="panel-head second"><h2 class="panel-title">Variables</h2></div>
        <ul><li v-for="(v, i) in plan.variables" :key="v.name" class="variable"><i>{{ v.name }}</i> <EditText plain :value="v.label ?? ''" placeholder="what it counts" :label="`Meaning of ${v.name}`" @keep="setVariable(i, 'label', $event)" /> <label><input type="checkbox" :checked="v.whole === true" @change="change(`make ${v.name} ${v.whole ? 'any number' : 'whole'}`, (p) => { if (v.whole) delete p.variables[i]!.whole; else p.variables[i]!.whole = true })"> whole</label> <button type="button" class="icon-button" :aria-label="`Delete variable ${v.name}`" @click="removeVariable(v.name)"><IconBin /></button></li></ul>
      </template>
      <template v-if="used.length > 0">
        <div class="panel-head second"><h2 class="panel-title">Givens</h2></div>
        <ul><li v-for="g in used" :key="g.name" class="given"><i>{{ g.name }}</i><span class="quiet">{{ g.label ?? '' }}</span><b>{{ givenText(g) }}</b><Slider v-if="g.vary" class="track" :model-value="g.value" :min="g.vary.from" :max="g.vary.to" :step="stepOf(g)" :pt="{ handle: { 'aria-label': `Vary ${g.name}` } }" @update:model-value="slide(g.name, $event)" /></li></ul>
      </template>
    </section>
    <section class="panel middle" aria-labelledby="region-title">
      <div class="panel-head"><h2 id="region-title" class="panel-title">Region <span v-if="reply?.picture" class="caption">{{ result?.status === 'infeasible' ? 'no point keeps all constraints' : 'every point here keeps all constraints' }}</span></h2><button v-if="reply?.picture" type="button" class="word-button" :aria-pressed="ruledOut" @click="ruledOut = !ruledOut">{{ ruledOut ? 'Shade what is allowed' : 'Shade what is ruled out' }}</button></div>
      <PlanRegion v-if="plan && result && reply?.picture" :plan="plan" :result="result" :picture="reply.picture" :colours="colours" :pointed="pointed" :ruled-out="ruledOut"><template #left="{ at }"><span v-if="valueAt(at)">{{ valueAt(at) }}</span><span v-for="l in leftAt(at)" :key="l.id" :class="{ problem: l.broken }">{{ labelOf(l.id) }}: {{ l.text }}</span></template></PlanRegion>
      <p v-else-if="plan && plan.variables.length > 2" class="quiet nothing">With {{ plan.variables.length }} variables there is no picture; the finding stands at the right.</p>
      <p v-else class="quiet nothing">Two variables and a constraint draw a region: write <code>2x + 3y &lt;= 240</code>.</p>
    </section>
    <section class="panel right" aria-labelledby="plan-finding-title" tabindex="0">
      <h2 id="plan-finding-title" class="panel-title">Finding</h2>
      <p v-if="failure" class="problem" role="alert">{{ failure }}</p>
      <template v-if="words && result">
        <p class="says" role="status">{{ words.says }}</p>
        <p v-for="m in words.more" :key="m" class="quiet">{{ m }}</p>
        <ul v-if="words.chips.length > 0" class="chips"><li v-for="c in words.chips" :key="c.text" :class="c.tone">{{ c.text }}</li></ul>
        <template v-if="result.corners.length > 0">
          <div class="panel-head second"><h2 class="panel-title">Corners <span class="caption">all {{ result.corners.length }}, tested</span></h2><button type="button" class="word-button" @click="copyCorners">Copy as CSV</button></div>
          <table><thead><tr><th scope="col">where</th><th v-for="v in variables" :key="v" scope="col">{{ v }}</th><th v-if="plan?.objective" scope="col">value</th></tr></thead><tbody><tr v-for="c in result.corners" :key="c.at.join()" :class="{ best: result.best.some((b) => b.at.join() === c.at.join()) }"><th scope="row">{{ c.on.map(labelOf).join(', ') }}</th><td v-for="(v, j) in c.at" :key="j" :title="c.exact[j]">{{ formatNumber(v) }}</td><td v-if="plan?.objective">{{ c.value === null ? '' : formatQuantity(c.value, unit) }}</td></tr></tbody></table>
        </template>
        <table v-else-if="result.best.length > 0"><thead><tr><th scope="col">variable</th><th scope="col">best</th></tr></thead><tbody><tr v-for="(v, j) in variables" :key="v"><th scope="row">{{ v }}</th><td>{{ formatNumber((result.whole ?? result.best[0]!).at[j]!) }}</td></tr></tbody></table>
        <template v-if="Object.keys(result.multipliers).length > 0">
          <div class="panel-head second"><h2 class="panel-title">One more of each</h2></div>
          <table><thead><tr><th scope="col">constraint</th><th scope="col">worth</th><th scope="col">holds for</th></tr></thead><tbody><tr v-for="(worth, id) in result.multipliers" :key="id"><th scope="row">{{ labelOf(String(id)) }}</th><td>{{ worth === null ? 'not one number' : rate(worth) }}</td><td>{{ range(String(id)) }}</td></tr></tbody></table>
          <p class="quiet">What the best value gains with one more on the right-hand side, as long as that side stays in the range.</p>
        </template>
      </template>
    </section>
  </main>
</template>

<style scoped>
.plan { flex: none; display: grid; grid-template-columns: 330px minmax(0, 1fr) 372px; grid-template-rows: minmax(0, 1fr); background: var(--paper); height: calc(100vh - 48px); min-height: 460px; }
.panel { padding: 0.85rem 1rem; min-width: 0; display: flex; flex-direction: column; gap: 0.45rem; overflow-y: auto; }
.panel + .panel { border-left: 1px solid var(--hairline); }
.middle { overflow: hidden; }
.right { background: var(--panel); }
.caption { font-weight: 400; letter-spacing: 0; text-transform: none; margin-left: 0.5rem; }
.goal { background: var(--amber-soft); border: 1px solid var(--amber); border-radius: 8px; padding: 0.5rem 0.8rem; display: grid; gap: 0.2rem; }
.formula { font-family: var(--book); font-size: 1.05rem; }
.second { margin: 0.6rem 0 0; }
.row { display: grid; grid-template-columns: auto minmax(0, 1fr) auto auto; column-gap: 0.6rem; align-items: center; padding: 0.35rem 0; border-bottom: 1px solid var(--hairline); }
.off .formula, .off .note { opacity: 0.55; }
.id { border: 1.5px solid; border-radius: 5px; min-width: 1.5rem; text-align: center; font-weight: 700; font-size: 0.85rem; }
.note { grid-column: 2 / -1; font-size: 0.87rem; color: var(--ink-2); }
.problem.note { color: var(--brick); }
.tools { display: flex; gap: 0.4rem; align-items: center; }
.variable { display: flex; gap: 0.5rem; align-items: center; flex-wrap: wrap; font-size: 0.93rem; padding: 0.15rem 0; }
.variable i { font-family: var(--book); }
.given { display: grid; grid-template-columns: auto minmax(0, 1fr) auto; gap: 0.2rem 0.6rem; align-items: baseline; padding: 0.25rem 0 0.6rem; }
.given i { font-family: var(--book); }
.track { grid-column: 1 / -1; margin: 0.3rem 0.6rem; }
.nothing { padding: 2rem 0; }
.says { font-family: var(--book); font-size: 1.2rem; font-weight: 650; line-height: 1.35; }
.chips { display: flex; flex-wrap: wrap; gap: 0.3rem; }
.chips li { font-size: 0.8rem; padding: 2px 9px; border-radius: 10px; background: var(--jade-soft); color: var(--jade); }
.chips .open { background: var(--amber-soft); color: var(--amber-deep); }
table { border-collapse: collapse; width: 100%; font-size: 0.92rem; }
th, td { text-align: right; padding: 5px 8px; border-bottom: 1px solid var(--hairline); font-weight: 400; }
th:first-child { text-align: left; }
td { white-space: nowrap; }
thead th { color: var(--ink-2); font-weight: 600; font-size: 0.85rem; }
.best th, .best td { background: var(--amber-soft); font-weight: 700; }
@media (max-width: 1050px) { .plan { grid-template-columns: minmax(0, 1fr); grid-template-rows: auto; height: auto; } .panel { overflow: visible; } .panel + .panel { border-left: 0; border-top: 1px solid var(--hairline); } .middle { height: 460px; } }
</style>
