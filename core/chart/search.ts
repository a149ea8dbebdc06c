import {
  controlMessages,
  valueBehindNumber,
  shownText,
  valueFor,
  receivers,
  sendChannel,
  addressOf,
  recallMessages,
  formatDisplay,
  parseDisplay,
  findPreset,
  type Rig,
  highestValue,
  type Control,
  type Device,
} from '#core/rig'
import type { ChannelMessage } from '#core/midi'
import { controlsOf } from './takeChart'

/** Something found, with the exact messages where the words say enough for them. */
export type Hit = {
  readonly device: Device
  /** The better, the higher. */
  readonly score: number
  /** In sending order; empty when no value was given or the device listens on no channel. */
  readonly messages: readonly ChannelMessage[]
} & (
  | {
      readonly kind: 'control'
      readonly control: Control
      readonly value: number | null
      readonly shown: string
    }
  | { readonly kind: 'preset'; readonly index: number; readonly display: string; readonly name: string }
)

const HITS_MAX = 60

/**
 * Finds controls and presets of all devices by name, number or place: "reverb mix 35 %", "CC 21",
 * "CC 21 64", "PC 11", "B4", "dotted". Words may be cut short and stand in any order; what is left over
 * is the value. The best first.
 */
export function search(rig: Rig, query: string): Hit[] {
  const text = query.trim().toLowerCase()
  if (text === '') return []
  const hits = receivers(rig).flatMap((device) => [
    ...controlsOf(rig, device.id).flatMap((control) => controlHit(rig, device, control, text)),
    ...presetHits(rig, device, text),
  ])
  return hits.sort((a, b) => b.score - a.score).slice(0, HITS_MAX)
}

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[\s,/()-]+/)
    .filter(Boolean)

function controlHit(rig: Rig, device: Device, control: Control, text: string): Hit[] {
  const byNumber = /^cc\s*#?\s*(\d{1,3})(?:\s+(.*))?$/.exec(text)
  if (byNumber) {
    const isIt = control.address.kind === 'cc' && control.address.number === Number(byNumber[1])
    return isIt ? withValue(rig, device, control, byNumber[2] ?? '', 5, true) : []
  }
  const own = [
    ...wordsOf(control.name).map((word) => ({ word, weight: 4 })),
    ...wordsOf(control.section).map((word) => ({ word, weight: 2 })),
    ...wordsOf(device.name).map((word) => ({ word, weight: 2 })),
  ]
  const left: string[] = []
  let score = 0
  for (const typed of text.split(/\s+/)) {
    // The longest fit first: "mix" is "Mix" rather than "Mixer".
    const fit = own
      .filter(({ word }) => word.startsWith(typed))
      .sort((a, b) => b.weight - a.weight || a.word.length - b.word.length)[0]
    if (fit) {
      own.splice(own.indexOf(fit), 1)
      score += fit.weight * (fit.word === typed ? 1.5 : 1)
    } else left.push(typed)
  }
  return score === 0 ? [] : withValue(rig, device, control, left.join(' '), score, false)
}

function withValue(
  rig: Rig,
  device: Device,
  control: Control,
  rest: string,
  score: number,
  isRaw: boolean,
): Hit[] {
  const highest = highestValue(control.address)
  const channel = sendChannel(rig, device)
  const hit = (value: number | null): Hit[] => [
    {
      kind: 'control',
      device,
      control,
      value,
      shown: value === null ? '' : shownText(control.reading, value, highest),
      score: score + (value === null ? 0 : 1),
      messages: value === null || channel === null ? [] : controlMessages(control.address, channel, value),
    },
  ]
  if (rest === '') return hit(null)
  if (isRaw) {
    const value = valueBehindNumber(control, rest)
    return value === null ? [] : hit(value)
  }
  const value = valueFor(control.reading, rest, highest)
  return value.ok ? hit(value.value) : []
}

function presetHits(rig: Rig, device: Device, text: string): Hit[] {
  const channel = sendChannel(rig, device)
  const hit = (index: number, score: number): Hit => ({
    kind: 'preset',
    device,
    index,
    display: formatDisplay(device.numbering, index),
    name: findPreset(rig, device.id, index)?.name ?? '',
    score,
    messages: channel === null ? [] : recallMessages(device.numbering, channel, index),
  })
  const program = /^pc\s*#?\s*(\d{1,3})$/.exec(text)?.[1]
  const known = Object.values(rig.presets).filter(({ deviceId }) => deviceId === device.id)
  if (program !== undefined)
    return known.flatMap(({ index }) =>
      addressOf(device.numbering, index).program === Number(program) ? [hit(index, 5)] : [],
    )
  const parsed = parseDisplay(device.numbering, text)
  const byDisplay = parsed.ok && /[a-z]/.test(text) ? [hit(parsed.value, 6)] : []
  const typed = text.split(/\s+/)
  const byName = known.flatMap(({ index, name }) => {
    const own = [
      ...wordsOf(name),
      ...wordsOf(device.name),
      formatDisplay(device.numbering, index).toLowerCase(),
    ]
    const isNamed = typed.some((one) => wordsOf(name).some((word) => word.startsWith(one)))
    return name !== '' && isNamed && typed.every((one) => own.some((word) => word.startsWith(one)))
      ? [hit(index, 3 + typed.length)]
      : []
  })
  return [
    ...byDisplay,
    ...byName.filter(
      (one) =>
        one.kind === 'preset' &&
        !byDisplay.some((other) => other.kind === 'preset' && other.index === one.index),
    ),
  ]
}
