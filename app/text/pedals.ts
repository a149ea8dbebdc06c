import { own } from '#core/base'
import type {
  CalibrationRead,
  CalibrationWhy,
  JackCost,
  NoFoot,
  RefusedJack,
  ShippedRide,
  SimulatedKind,
  SweepCaution,
  TargetKind,
} from '#core/pedal'
import { boxName, type Curve, type OffKind, type Pedal, type PedalRole, type Rig, type When } from '#core/rig'
import { ROLE_TEXT } from './jacks'

/** What a role is called: its name, or its number. */
export const pedalRoleName = ({ name }: Pick<PedalRole, 'name'>, at: number): string =>
  name || `Role ${at + 1}`

export const WHEN_TEXT: Record<When['kind'], string> = {
  always: 'any other time',
  banks: 'in some banks',
  layer: 'on the shift layer',
  control: 'while a control is on or off',
  held: 'while a switch is held',
}

export const CURVE_TEXT: Record<Curve['kind'], string> = {
  linear: 'linear',
  logarithmic: 'logarithmic: fast at the heel',
  exponential: 'exponential: slow at the heel',
  s: 'S: slow at both ends',
  points: 'own points',
}

/** Where the foot's sweep comes in: "Foot controller, Expression 1". */
export function placeText(rig: Rig, { place }: Pick<Pedal, 'place'>): string {
  if (place.kind === 'builtIn')
    return `built into ${boxName(rig, place.controllerId)}${place.number > 1 ? `, number ${place.number}` : ''}`
  const box = place.table === 'controllers' ? own(rig.controllers, place.id) : own(rig.devices, place.id)
  const jack = box?.ports.find(({ id }) => id === place.port)?.name ?? 'a jack that is gone'
  return `${box?.name ?? 'a box that is gone'}, ${jack}`
}

export const NO_FOOT_TEXT: Record<NoFoot, string> = {
  noJack: 'That jack is not there any more.',
  otherRole: 'The jack is set to something else.',
  nothingIn: 'No pedal is plugged in there.',
  noBuiltIn: 'No pedal is built in there.',
}

export const OFF_TEXT: Record<OffKind, string> = {
  heel: 'rests at the heel',
  toe: 'rests at the toe',
  still: 'stands still anywhere',
  switch: 'steps on the toe switch',
}

/** What the range of a target is by default, and why. */
export const SUGGESTION_TEXT: Record<TargetKind, string> = {
  wah: 'A wah plays from 23 to 74 % and jars beyond.',
  pitch: 'Octave up: from unison to the top.',
  mix: 'To 35 %: more swamps the sound.',
  level: 'All of it: mind the loudness.',
  decay: 'To 80 %: beyond, it may never die away.',
  rate: 'To 60 %: beyond, it runs away.',
  other: 'All of it.',
}

export const SWEEP_CAUTION_TEXT: Record<SweepCaution, string> = {
  loud: 'A full sweep of a level is loud: try it at low volume first, above all in headphones or in-ears.',
  endless: 'Near the top it may go on for ever and grow: try it at low volume, with a hand on the mixer.',
  runaway: 'Near the top it may run away: try it at low volume first.',
}

export const SIMULATED_TEXT: Record<SimulatedKind, string> = {
  good: 'a good one',
  stopsShort: 'one that stops short',
  swapped: 'one with swapped ends',
  noisy: 'a noisy one',
  sticky: 'a sticky one',
  deadSpot: 'one with a dead spot',
}

export const RIDE_TEXT: Record<ShippedRide, string> = {
  swells: 'Swells, with touches of the heel',
  inTime: 'Heel and toe in time',
  toToe: 'Pushed to the toe',
  held: 'A place held in the middle',
  byToe: 'Off and on by the toe switch',
}

export const VERDICT_TEXT: Record<CalibrationRead['verdict'], string> = {
  pass: 'A good pedal',
  again: 'Calibrate again',
  swap: 'Swap the polarity',
  suspect: 'Suspect the pedal',
}

/** What was seen, and what to do. */
const WHY_TEXT: Record<CalibrationWhy, string> = {
  good: 'Both ends are reached and it reads evenly.',
  silent: 'Nothing moves. Look whether the jack is set to expression, and whether the lead is a TRS lead.',
  noisy:
    'The reading wavers where the foot rests: the track is worn or the lead is not shielded. Try another lead, then another pedal.',
  sticky:
    'The reading sticks and then leaps, at other places each time: the track wants cleaning, by someone who knows how.',
  deadSpot: 'The reading is lost at the same place every time: the track is worn there.',
  swapped:
    'Heel and toe come the wrong way round. Set the pedal or the jack to the other polarity, or put in an adapter that swaps tip and ring.',
  short:
    'It does not come to both ends of the bar. Set the range on the pedal, if it has one, and sweep again, all the way.',
  fewSweeps: 'Fewer than two sweeps each way were seen. Sweep from heel to toe and back twice, all the way.',
  tooFast: 'That was too fast to tell. Take about a second and a half each way.',
  tooSeldom:
    'Readings come too seldom to tell. Let the controller send every value, and take two seconds each way.',
  notAtHeel: 'Begin and end with the heel down.',
}

export const whyText = ({ why, verdict }: CalibrationRead): string =>
  why === 'short' && verdict === 'suspect'
    ? 'It stops short again: suspect the pedal or its lead.'
    : WHY_TEXT[why]

export function costText(cost: JackCost): string {
  switch (cost.kind) {
    case 'role':
      return `set the jack from ${ROLE_TEXT[cost.from]} to ${ROLE_TEXT[cost.to]}`
    case 'cross':
      return 'an adapter that swaps tip and ring'
    case 'rest':
      return `tell the jack that the switch is ${cost.to} at rest`
  }
}

export function refusedText({ part, box, jack, why, by }: RefusedJack): string {
  const what = `${part === 'sweep' ? 'The sweep' : 'The toe switch'} cannot go into ${box}, ${jack}: `
  if (why === 'taken') return `${what}${by} is in it.`
  return (
    what +
    (why === 'poles' ? 'it waits for another number of contacts.' : 'it wants a switch of the other action.')
  )
}
