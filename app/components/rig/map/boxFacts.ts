import { roleOf, type Box } from '#core/rig'
import { count } from '#shared/words/counts'
import { PLUG_TEXT } from '~/text/jacks'

/** The one small line on a box of the map: what it is plugged in by. */
export function boxFacts(box: Box): string {
  if (!('kind' in box)) return count(box.bankCount, 'bank')
  const roles = box.ports.map(roleOf)
  const midi = roles.flatMap((role) =>
    role.kind === 'midiIn'
      ? [`${PLUG_TEXT[role.plug].replace(' type', '')} in`]
      : role.kind === 'usb'
        ? [role.end === 'host' ? 'USB host' : 'USB']
        : role.kind === 'air'
          ? ['Bluetooth']
          : [],
  )
  const thrus = roles.filter((role) => role.kind === 'midiOut' && role.passes !== 'never').length
  if (midi.length > 0)
    return (
      [...new Set(midi)].slice(0, 2).join(', ') + (thrus > 1 ? `, ${thrus} out` : thrus === 1 ? ', thru' : '')
    )
  if (box.kind === 'supply') return count(box.ports.length, 'outlet')
  if (box.kind === 'pedal') return roles[0]?.kind === 'expressionOut' ? 'sweeps' : 'footswitch'
  if (roles.some((role) => role.kind === 'audioOut' && role.use === 'instrument')) return 'the sound begins'
  if (roles.some((role) => role.kind === 'audioIn' && role.use === 'mixer')) return 'the sound ends'
  return roles.some(({ kind }) => kind === 'switchIn') ? 'switch jack' : 'no MIDI'
}
