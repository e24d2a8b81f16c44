import { ONE, ZERO, isZero, rationalOfDouble, type Rational } from '../numeric'
import { compileNumber, isFunctionName, nearName, parse, problem, quoted, resolve, type Names, type Problem, type Syntax } from '../formula'

/** Σ coefficients·variables + constant, exact, in the order of the plan's variables. */
export interface LinearForm { readonly coefficients: readonly Rational[]; readonly constant: Rational }
export type Sense = '<=' | '>=' | '='
/** One relation of a constraint: Σ a x (sense) b. A chained constraint has two. */
export interface Relation { readonly coefficients: readonly Rational[]; readonly sense: Sense; readonly bound: Rational }
export type ConstraintRead = { readonly ok: true; readonly relations: readonly Relation[]; readonly strict: boolean } | { readonly ok: false; readonly problem: Problem }
export type FormRead = { readonly ok: true; readonly form: LinearForm } | { readonly ok: false; readonly problem: Problem }

class NotLinear extends Error { constructor(readonly problem: Problem) { super(problem.message) } }
const SIGN = /<=|>=|=<|=>|≤|≥|<|>|=/g
const SENSES: Readonly<Record<string, Sense>> = { '<=': '<=', '=<': '<=', '≤': '<=', '<': '<=', '>=': '>=', '=>': '>=', '≥': '>=', '>': '>=', '=': '=' }

/** Reads `2x + 3y <= 240`, `y >= 2x`, `0 <= x <= 75`; variables may stand on both sides, givens have their values. */
export function readConstraint(text: string, variables: readonly string[], names: Names): ConstraintRead {
  const signs = [...text.matchAll(SIGN)]
  const fail = (p: Problem): ConstraintRead => ({ ok: false, problem: p })
  if (signs.length === 0) return fail(problem('unexpected', { start: 0, end: text.length }, `${quoted(text.trim())} has no relation; a constraint reads like \`2x + 3y <= 240\`.`))
  if (signs.length > 2) return fail(problem('unexpected', { start: signs[2]!.index, end: signs[2]!.index + signs[2]![0].length }, 'A constraint has one relation, or two of one direction as in `10 <= x <= 50`.'))
  const sides: LinearForm[] = []
  let at = 0
  for (const end of [...signs.map((s) => s.index), text.length]) {
    const side = text.slice(at, end)
    const read = readForm(side, variables, names)
    if (!read.ok) return fail({ ...read.problem, start: read.problem.start + at, end: read.problem.end + at })
    sides.push(read.form)
    at = end + (signs.find((s) => s.index === end)?.[0].length ?? 0)
  }
  const senses = signs.map((s) => SENSES[s[0]]!)
  if (senses.length === 2 && (senses[0] !== senses[1] || senses[0] === '=')) return fail(problem('unexpected', { start: signs[1]!.index, end: signs[1]!.index + 1 }, 'Both relations of a chain point the same way, as in `10 <= x <= 50`.'))
  const relations = senses.map((sense, i): Relation => {
    const [l, r] = [sides[i]!, sides[i + 1]!]
    const coefficients = l.coefficients.map((c, k) => c.sub(r.coefficients[k]!))
    return { coefficients, sense, bound: r.constant.sub(l.constant) }
  })
  if (relations.some((r) => r.coefficients.every(isZero))) return fail(problem('unexpected', { start: 0, end: text.length }, `${quoted(text.trim())} says nothing of ${variables.join(' or ')}.`))
  return { ok: true, relations, strict: signs.some((s) => s[0] === '<' || s[0] === '>') }
}

/** Reads a sum of the plan's variables: an objective, or a side of a constraint. */
export function readForm(text: string, variables: readonly string[], names: Names): FormRead {
  const parsed = parse(text, (name) => isFunctionName(name, names) && !variables.includes(name))
  if (!parsed.ok) return { ok: false, problem: parsed.problem }
  try { return { ok: true, form: formOf(parsed.syntax, text, variables, names) } } catch (failure) { if (failure instanceof NotLinear) return { ok: false, problem: failure.problem }; throw failure }
}

function formOf(s: Syntax, text: string, variables: readonly string[], names: Names): LinearForm {
  const constant = (r: Rational): LinearForm => ({ coefficients: variables.map(() => ZERO), constant: r })
  const still = (f: LinearForm) => f.coefficients.every(isZero)
  const scaled = (f: LinearForm, by: Rational): LinearForm => ({ coefficients: f.coefficients.map((c) => c.mul(by)), constant: f.constant.mul(by) })
  const sum = (a: LinearForm, b: LinearForm, sign: 1 | -1): LinearForm => ({ coefficients: a.coefficients.map((c, i) => (sign > 0 ? c.add(b.coefficients[i]!) : c.sub(b.coefficients[i]!))), constant: sign > 0 ? a.constant.add(b.constant) : a.constant.sub(b.constant) })
  const refuse = (what: string): never => { throw new NotLinear(problem('unexpected', s, `${quoted(text.slice(s.start, s.end).trim())} ${what}; a plan is made of sums, each variable times a number.`)) }
  switch (s.type) {
    case 'number': return constant(s.exact ?? rationalOfDouble(s.value))
    case 'bracket': return formOf(s.of, text, variables, names)
    case 'negate': return scaled(formOf(s.of, text, variables, names), ONE.neg())
    case 'name': {
      const i = variables.indexOf(s.name)
      if (i >= 0) return { coefficients: variables.map((_, k) => (k === i ? ONE : ZERO)), constant: ZERO }
      const given = names.givens.get(s.name)
      if (given) return constant(given.exact ?? rationalOfDouble(given.value))
      if (s.name === 'e' || s.name === 'pi' || s.name === 'π') return constant(rationalOfDouble(s.name === 'e' ? Math.E : Math.PI))
      const near = nearName(s.name, [...variables, ...names.givens.keys()])
      const run = splitRun(s.name, variables)
      throw new NotLinear(problem('unknown-name', s, `${quoted(s.name)} is no variable of the plan and no given.${run ? ` Did you mean ${quoted(run)}?` : near ? ` Did you mean ${quoted(near)}?` : ` There ${variables.length === 1 ? 'is' : 'are'} ${variables.join(', ')}.`}`, run ?? near ?? undefined))
    }
    case 'operation': {
      const [a, b] = [formOf(s.left, text, variables, names), formOf(s.right, text, variables, names)]
      switch (s.op) {
        case '+': return sum(a, b, 1)
        case '-': return sum(a, b, -1)
        case '*': return still(a) ? scaled(b, a.constant) : still(b) ? scaled(a, b.constant) : refuse('multiplies variables with each other')
        case '/': return !still(b) ? refuse('divides by a variable') : isZero(b.constant) ? refuse('divides by 0') : scaled(a, ONE.div(b.constant))
        case '^': return still(a) && still(b) ? constant(numberOf(s, text, names)) : refuse('has a power of a variable')
      }
      break
    }
    case 'apply': {
      for (const arg of s.args) if (!still(formOf(arg, text, variables, names))) refuse('puts a variable into a function')
      return constant(numberOf(s, text, names))
    }
  }
  return refuse('is not read here')
}
/** `xy` is one name; with x and y variables, `x y` was meant (which is no sum either). */
function splitRun(name: string, variables: readonly string[]): string | null { return [...name].length > 1 && [...name].every((c) => variables.includes(c)) ? [...name].join(' ') : null }
function numberOf(s: Syntax, text: string, names: Names): Rational {
  const read = resolve(text.slice(s.start, s.end), { ...names, variable: null })
  const value = read.expression ? compileNumber(read.expression, () => () => NaN)(0) : NaN
  if (!Number.isFinite(value)) throw new NotLinear(problem('domain', s, `${quoted(text.slice(s.start, s.end))} has no value.`))
  return rationalOfDouble(value)
}
