import { secondsText } from '#shared/words/times'
import { own, fixedText } from '#core/base'
import type { Part, PlayedPart, Rig } from '#core/rig'
import type { BoardPlace, Fault, NoBoard, PartWay, ShowFault, ShowTravel, Unplayed, Wrong } from '#core/show'
import { count } from '#shared/words/counts'
import { gapText } from './between'
import { valueText } from './lies'
import { displayText, sentText } from './presets'
import { bpmText } from './tempo'

/** "9 Any sound, switch 4". */
export function placeLong(rig: Rig, { bankId, layer, number }: BoardPlace): string {
  const bank = own(rig.banks, bankId)
  const first = own(rig.controllers, bank?.controllerId ?? '')?.firstBank ?? 1
  return `bank ${`${(bank?.index ?? 0) + first} ${bank?.name ?? ''}`.trim()}, switch ${number}${layer === 'shift' ? ' of the shift layer' : ''}`
}

/** What a part is called: its own name, or its sound's. */
export const partName = (rig: Rig, { name }: Pick<Part, 'name'>, soundId: PlayedPart['soundId']): string =>
  own(rig.sounds, soundId ?? '')?.name ?? (name === '' ? 'No sound yet' : name)

export const lastsText = ({ lasts }: Pick<Part, 'lasts'>): string =>
  lasts === null ? '' : lasts.unit === 'bars' ? count(lasts.amount, 'bar') : `${lasts.amount} s`

const UNPLAYED_TEXT: Record<Unplayed, string> = {
  noSound: 'names no sound',
  noSwitch: 'no switch plays this',
  noStep: 'no switch goes to the next part',
  noWay: 'no way to its switch from here',
}

/** "850 ms", "2.4 s", never broken over two lines. */
const msText = (ms: number): string => secondsText(ms, 1).replace(' ', '\u00a0')

const metres = (mm: number): string =>
  mm >= 1000 ? `${fixedText(mm / 1000, 1)} m` : `${Math.round(mm / 10)} cm`

/** "2 presses, 18 cm, bank change; 1.2 s of 3 s". */
export function wayText(way: PartWay): string {
  if (way.why !== null) return UNPLAYED_TEXT[way.why]
  if (way.inTime === 'stays') return 'stays as it is'
  const { route, readyMs, aheadMs } = way
  if (!route || readyMs === null) return ''
  const parts = [
    count(route.presses, 'press', 'presses'),
    metres(route.mm),
    ...(route.banks > 0 ? [count(route.banks, 'bank change')] : []),
  ]
  const time = aheadMs === null ? msText(readyMs) : `${msText(readyMs)} of ${msText(aheadMs)}`
  return `${parts.join(', ')}; ${time}`
}

/** What its time comes to, in a word or two; empty where all is well. */
export function inTimeText({ inTime, readyMs, aheadMs }: PartWay): string {
  switch (inTime) {
    case 'tight':
      return `${msText((readyMs ?? 0) - (aheadMs ?? 0))} too late`
    case 'never':
      return 'longer than the part before'
    case 'unknown':
      return 'time not said'
    default:
      return ''
  }
}

/** What is heard and left between the sound before and this one. */
export function heardText(rig: Rig, { between }: PartWay): string {
  if (!between) return ''
  const { hole, leftovers } = between
  return [
    ...(hole ? [`${own(rig.devices, hole.deviceId)?.name ?? 'a device'}: ${gapText(hole.gap)}`] : []),
    ...(leftovers > 0 ? [`${count(leftovers, 'thing')} left on`] : []),
  ].join('; ')
}

/** "12.1 m of foot travel, 98 presses, 43 bank changes". */
export const travelText = ({ mm, presses, banks }: ShowTravel): string =>
  `${metres(mm)} of foot travel, ${count(presses, 'press', 'presses')}, ${count(banks, 'bank change')}`

export { metres as lengthText }

const deviceName = (rig: Rig, id: string): string => own(rig.devices, id)?.name ?? 'A device that is gone'

/** "B4 (sent as 11)": as the device shows it, and what is sent. */
function presetText(rig: Rig, deviceId: string, index: number): string {
  const device = own(rig.devices, deviceId)
  return device ? `${displayText(device, index)} (${sentText(device, index)})` : String(index)
}

function faultText(rig: Rig, fault: Fault): string {
  const name = deviceName(rig, fault.deviceId)
  switch (fault.kind) {
    case 'off':
      return `${name} is switched off, and the sound speaks of it.`
    case 'preset':
      return fault.is === null
        ? `${name} has not been told any preset; it should be in ${presetText(rig, fault.deviceId, fault.wanted)}.`
        : `${name} is in ${presetText(rig, fault.deviceId, fault.is)}, and should be in ${presetText(rig, fault.deviceId, fault.wanted)}.`
    case 'control': {
      const control = own(rig.controls, fault.controlId)
      const said = (value: number) => (control ? valueText(rig, control, value) : String(value))
      const what = `${control?.name ?? 'A control'} of ${name}`
      return fault.is === null
        ? `${what} should be at ${said(fault.wanted)}; nobody knows where it is.`
        : `${what} is at ${said(fault.is)}, and should be at ${said(fault.wanted)}.`
    }
    case 'contact':
      return `A contact of ${name} should be ${fault.wanted ? 'closed' : 'open'}${fault.is === null ? '; nobody knows how it is' : ''}.`
  }
}

/** Whose tempo holds in place of the song's, and what to do. */
function whoseTempo(rig: Rig, from: Extract<Wrong, { kind: 'tempo' }>['from']): string {
  const takeUp = 'Nothing on the way takes it up: give the song a bank, or step on Next part.'
  switch (from?.kind) {
    case 'sound':
      return `${own(rig.sounds, from.soundId)?.name ?? 'A sound'} stores its own: take that out, or give this song another sound.`
    case 'song':
      return `That is the tempo of ${own(rig.songs, from.songId)?.name ?? 'another song'}. ${takeUp}`
    case 'clock':
      return 'A clock from outside says so.'
    case undefined:
      return takeUp
    default:
      return 'A switch or bank on the way sets it.'
  }
}

/** One wrong moment of a show: what, and what to do. */
export function wrongText(rig: Rig, wrong: Wrong): string {
  switch (wrong.kind) {
    case 'noSound':
      return 'It names no sound. Choose one.'
    case 'noSwitch':
      return 'No switch plays its sound. Put it on one.'
    case 'noStep':
      return 'No switch goes to the next part, so nothing after this can be walked through. Put Next part on a switch.'
    case 'noWay':
      return 'A switch would do it, but no switch leads to that bank from here. Add one that does.'
    case 'otherPart':
      return 'The step to the next part comes to another one: something on the way moves the list of the show too.'
    case 'device':
      return faultText(rig, wrong.fault)
    case 'late':
      return wrong.isWholePart
        ? `It takes ${msText(wrong.readyMs)} to get there, longer than the whole part before (${msText(wrong.hasMs)}).`
        : `It takes ${msText(wrong.readyMs)} to get there, and there are ${msText(wrong.hasMs)}. Move its switch nearer, or step on it earlier.`
    case 'tempo':
      return `The tempo is ${bpmText(wrong.is)} bpm, and the song stores ${bpmText(wrong.wanted)}. ${whoseTempo(rig, wrong.from)}`
    case 'lost':
      return `${deviceName(rig, wrong.deviceId)} loses messages: they come while it is loading.`
  }
}

export const NO_BOARD_TEXT: Record<NoBoard, string> = {
  noController: 'There is no controller yet to lay out.',
  noBank: 'The controller has no bank yet.',
  noParts: 'The show has no parts yet: nothing says where the foot goes.',
  nothingMoves:
    'No switch may move: only those that play a sound with a plain press, in one bank, and are not pinned.',
}

export function showFaultText({ code, text }: ShowFault): string {
  switch (code) {
    case 'noSuchSound':
      return `No sound is called "${text}": the part is kept under that name, without a sound.`
    case 'notUnderstood':
      return `"${text}" is not understood and left out. Write it as 16 bars, 40 s, 2 beats ahead, 96 bpm, E minor, 3/4 or count 4.`
    case 'noSong':
      return `"${text}" comes before any song. Put the song's name above it.`
    case 'hasParts':
      return `${text} has parts already: those stay, the pasted ones are left out.`
    case 'tooLong':
      return `The line "${text}" is too long for a song or part, and left out.`
  }
}
