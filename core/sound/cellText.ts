import { begins, controlsAt, meaningsOf, presetsAt, wordsOf } from './cellMeanings'
import { formatCell, labelOf, labelsOf, presetText, type TypedCell } from './formatCell'
import { accept, refuse, type Result } from '#core/base'
import { heldContacts, valueFor, type Rig, highestValue, type Device } from '#core/rig'
import { canBeSet } from './want'

/** Why a typed cell is not taken. */
export type CellRefusal =
  /** Nothing it can mean on this device; `near` are things that begin like it. */
  | { readonly code: 'notUnderstood'; readonly text: string; readonly near: readonly string[] }
  /** Several things it can mean. */
  | { readonly code: 'ambiguous'; readonly text: string; readonly meanings: readonly string[] }
  /** A control was named, and what stands behind it is no value of it. */
  | { readonly code: 'badValue'; readonly control: string; readonly text: string; readonly allowed: string }

/**
 * Reads what a player types into a cell: "b4", "dot", "b4 mix 30", "mix 35, repeats 40", "off", "rest", "leave",
 * "by foot: step on it", "closed", "pair shout: b". Upper and lower case are alike. Refused when it can mean
 * nothing, or several things that are equally near.
 */
export function parseCell(rig: Rig, device: Device, typed: string): Result<TypedCell, CellRefusal> {
  const text = typed.replace(/\s+/g, ' ').trim()
  const lower = text.toLowerCase()
  if (lower === 'off' || lower === 'rest' || lower === 'leave') return accept({ kind: lower })
  if (lower === 'leave alone') return accept({ kind: 'leave' })
  const foot = /^(?:by )?foot(?:\s*:\s*(.*))?$/i.exec(text)
  if (foot) return accept({ kind: 'foot', does: foot[1] ?? '' })
  const special = contactsMeant(rig, device, lower) ?? pairMeant(rig, device, lower)
  if (special) return accept(special)
  const meanings = [...meaningsOf(rig, device, text)]
  const surest = Math.max(...meanings.map(({ sureness }) => sureness))
  const best = new Map(
    meanings
      .filter(({ sureness }) => sureness === surest)
      .map(({ cell }) => [formatCell(rig, device, cell), cell]),
  )
  const [only] = best.values()
  if (only && best.size === 1) return accept(only)
  if (best.size > 1) return refuse({ code: 'ambiguous', text, meanings: [...best.keys()].slice(0, 6) })
  return refuse(
    badValueIn(rig, device, text) ?? { code: 'notUnderstood', text, near: nearTo(rig, device, lower) },
  )
}

function contactsMeant(rig: Rig, device: Device, lower: string): TypedCell | null {
  const all = heldContacts(rig, device)
  if (all.length === 0) return null
  if (lower === 'open') return { kind: 'contacts', closes: [] }
  if (lower === 'closed' && all.length === 1) return { kind: 'contacts', closes: [all[0]!.id] }
  const named = /^closed\s*:\s*(.+)$/.exec(lower)?.[1]
  if (named === undefined) return null
  const closes: string[] = []
  // Names may hold the sign that stands between them: the longest that fits is taken each time.
  for (let rest = named; rest !== '';) {
    const found = all
      .filter(({ name }) => rest.startsWith(name.toLowerCase()))
      .sort((a, b) => b.name.length - a.name.length)[0]
    if (!found || closes.includes(found.id)) return null
    closes.push(found.id)
    rest = rest.slice(found.name.length).replace(/^\s*[+,;]?\s*/, '')
  }
  return { kind: 'contacts', closes: all.filter(({ id }) => closes.includes(id)).map(({ id }) => id) }
}

function pairMeant(rig: Rig, device: Device, lower: string): TypedCell | null {
  const found = /^pair\b\s*(.*?)\s*:?\s*\b([ab])$/.exec(lower)
  if (!found) return null
  const [, name, state] = found as unknown as [string, string, 'a' | 'b']
  const pairs = Object.values(rig.pairs).filter(({ deviceId }) => deviceId === device.id)
  const exact = pairs.filter((pair) => pair.name.toLowerCase().replace(/\s+/g, ' ') === name)
  const near = exact.length > 0 ? exact : pairs.filter((pair) => pair.name.toLowerCase().includes(name))
  return near.length === 1 ? { kind: 'pair', pairId: near[0]!.id, state } : null
}

/** A control is named well, and its value is not: that is worth more than "not understood". */
function badValueIn(rig: Rig, device: Device, text: string): CellRefusal | null {
  const starts = [...controlsAt(rig, device, text)]
  for (const { rest } of presetsAt(rig, device, text))
    if (rest !== '') starts.push(...controlsAt(rig, device, rest))
  const [found] = starts.sort((a, b) => b.sureness - a.sureness || a.rest.length - b.rest.length)
  if (!found) return null
  const { value: control, rest } = found
  const highest = highestValue(control.address)
  const read = valueFor(control.reading, rest.split(/[+;,]/)[0]!.trim(), highest)
  const allowed = !canBeSet(control, 0)
    ? 'nothing: it changes at every message, so no sound can set it'
    : read.ok
      ? ''
      : read.refusal.code === 'outside'
        ? `${read.refusal.low} to ${read.refusal.high}${read.refusal.unit && ` ${read.refusal.unit}`}`
        : read.refusal.allowed
  return allowed === ''
    ? null
    : { code: 'badValue', control: labelOf(rig, device, control.id), text: rest, allowed }
}

/** Presets and controls with a word that begins like a typed one. */
function nearTo(rig: Rig, device: Device, lower: string): string[] {
  const typed = wordsOf(lower)
  const isNear = (name: string) =>
    wordsOf(name).some((word) => typed.some((one) => word.startsWith(one.slice(0, 2))))
  const presets = Object.values(rig.presets).filter(
    ({ deviceId, name }) => deviceId === device.id && isNear(name),
  )
  const controls = [...labelsOf(rig, device)].filter(([label]) => isNear(label))
  return [
    ...presets.map(({ index }) => presetText(rig, device, index)),
    ...controls.map(([label]) => label),
  ].slice(0, 4)
}

/** What can be typed into a cell of a device that begins like `typed`, the nearest first; at most `most`. */
export function cellChoices(rig: Rig, device: Device, typed: string, most = 8): string[] {
  const text = typed.replace(/\s+/g, ' ').trim()
  const meanings = [...meaningsOf(rig, device, text)].sort((a, b) => b.sureness - a.sureness)
  const lower = text.toLowerCase()
  const contacts = heldContacts(rig, device)
  const words = [
    'off',
    'rest',
    'leave',
    'by foot',
    ...(contacts.length > 0 ? ['open'] : []),
    ...(contacts.length === 1 ? ['closed'] : contacts.map(({ name }) => `closed: ${name}`)),
    ...Object.values(rig.pairs)
      .filter(({ deviceId }) => deviceId === device.id)
      .flatMap(({ name }) => [`pair ${name}: A`, `pair ${name}: B`]),
    ...Object.values(rig.presets)
      .filter(({ deviceId, name }) => deviceId === device.id && name !== '')
      .sort((a, b) => a.index - b.index)
      .map(({ index }) => presetText(rig, device, index)),
  ]
  const fits = (word: string) => lower === '' || word.toLowerCase().startsWith(lower) || begins(lower, word)
  return [
    ...new Set([...meanings.map(({ cell }) => formatCell(rig, device, cell)), ...words.filter(fits)]),
  ].slice(0, most)
}
