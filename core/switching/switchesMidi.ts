import { own } from '#core/base'
import { encodeMidiFile, type MidiFileEvent } from '#core/midi'
import { byIndex, rigName, type Rig, type Bank, type Footswitch } from '#core/rig'
import { compile, messagesAmong, type SwitchEvent } from './compile'

const TICKS_PER_QUARTER = 480
/** At 120 bpm a tick is 1.04 ms: longer than the longest channel message takes on the wire (0.96 ms). */
const MICROSECONDS_PER_QUARTER = 500_000

/**
 * A Standard MIDI File with every programmed switch event, a quarter note apart: a marker that names
 * it by bank, switch and label, then its messages, one a tick, in sending order.
 */
export function switchesMidi(rig: Rig): Uint8Array {
  const track: MidiFileEvent[] = [
    { delta: 0, kind: 'trackName', text: rigName(rig) },
    { delta: 0, kind: 'tempo', microseconds: MICROSECONDS_PER_QUARTER },
  ]
  // Ticks since the last marker.
  let passed = TICKS_PER_QUARTER
  for (const bank of byIndex(rig.banks))
    for (const footswitch of switchesOf(rig, bank))
      for (const { event, position } of eventsOf(footswitch)) {
        const messages = messagesAmong(compile(rig, footswitch, event, position))
        if (messages.length === 0) continue
        track.push({
          delta: Math.max(0, TICKS_PER_QUARTER - passed),
          kind: 'marker',
          text: markerText(rig, bank, footswitch, event, position),
        })
        track.push(...messages.map(({ message }) => ({ delta: 1, kind: 'message' as const, message })))
        passed = messages.length
      }
  return encodeMidiFile({ ticksPerQuarter: TICKS_PER_QUARTER, tracks: [track] })
}

const switchesOf = (rig: Rig, bank: Bank): Footswitch[] =>
  Object.values(rig.switches)
    .filter(({ bankId }) => bankId === bank.id)
    .sort((a, b) => a.layer.localeCompare(b.layer) || a.jack.localeCompare(b.jack) || a.number - b.number)

const eventsOf = (footswitch: Footswitch): { event: SwitchEvent; position: number }[] => [
  ...footswitch.positions.map((_, position) => ({ event: 'press' as const, position })),
  ...(['release', 'longPress', 'doublePress'] as const).map((event) => ({ event, position: 0 })),
]

const EVENT_NAME: Record<Exclude<SwitchEvent, 'press'>, string> = {
  release: 'release',
  longPress: 'long press',
  doublePress: 'double press',
}

function markerText(
  rig: Rig,
  bank: Bank,
  footswitch: Footswitch,
  event: SwitchEvent,
  position: number,
): string {
  const shown = bank.index + (own(rig.controllers, bank.controllerId)?.firstBank ?? 0)
  const { number, jack, layer } = footswitch
  const parts = [
    `Bank ${shown} ${bank.name}`.trimEnd(),
    jack === '' ? `switch ${number}` : `${jack} ${number}`,
  ]
  if (layer === 'shift') parts.push('shift')
  if (footswitch.label !== '') parts.push(footswitch.label)
  if (event !== 'press') parts.push(EVENT_NAME[event])
  else if (footswitch.positions.length > 1) parts.push(`press ${position + 1}`)
  return parts.join(', ')
}
