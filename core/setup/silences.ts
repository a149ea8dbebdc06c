import { own } from '#core/base'
import { spokenTo } from '#core/switching'
import type { Finding } from '#core/check'
import { boxName, boxOf, powerPlan, type Arrival, type Rig, type Device } from '#core/rig'

/**
 * Whether a finding of this code can be why a device does nothing at all. What merely surprises (a channel shared, a lamp
 * that lies, a sound left on) is no answer to that question, however wrong it is.
 */
const SILENCES: Record<Finding['code'], boolean> = {
  noPath: true,
  outForThru: true,
  wrongRole: true,
  wrongWiring: true,
  thruOff: true,
  usbWithoutHost: true,
  crowdedJack: true,
  loop: true,
  noChannel: true,
  blockedChannel: true,
  ignoresPrograms: true,
  wrongPower: true,
  weakPower: true,
  midiPower: true,
  noMidiPower: true,
  fedTwice: true,
  tooManyThrus: true,
  longCable: true,
  otherController: true,
  unsendablePreset: true,
  silentSwitch: true,
  notEntered: true,
  strictValue: true,
  parity: true,
  unsentControl: false,
  brokenLoop: false,
  earthLoop: false,
  stereoLost: false,
  phonesBypassed: false,
  soundEndsIn: false,
  sharedChannel: false,
  omniDevice: false,
  echoedPrograms: false,
  wrongWiper: false,
  monoLead: false,
  wrongContact: false,
  noBankSelect: false,
  cannotPerform: false,
  controlClash: false,
  reservedNumber: false,
  lookAlike: false,
  relearnPair: false,
  soundCannot: false,
  soundDoubt: false,
  soundClash: false,
  lostControls: false,
  tooManyMessages: false,
  leftover: false,
  forgottenDevice: false,
  levelJump: false,
  noHeadroom: false,
  avoidableHole: false,
  againstSchool: false,
  twinGestures: false,
  noWayBack: false,
  unreachedSound: false,
  undoneSet: false,
  lostOnSwitch: false,
  overfullSwitch: false,
  slowSwitch: false,
  keptGesture: false,
  editingOnStage: false,
  beyondController: false,
  lyingLamp: false,
  provenFault: false,
  runDiffers: false,
  wrongMoment: false,
  pedalNoFoot: false,
  pedalTwice: false,
  pedalAnother: false,
  pedalUnfit: false,
  pedalUnheard: false,
  narrowedTwice: false,
  pedalNumber: false,
  pedalsFight: false,
  pedalLeaps: false,
  deadRole: false,
  pedalFloods: false,
  offOneWay: false,
  pedalBehindLamp: false,
  offBeat: false,
  tapOutCannot: true,
  tapOutLate: false,
  tapOutMissing: false,
  clockHarm: false,
  twoClocks: false,
  tapIsLooper: true,
  loopClear: false,
  loopStop: false,
  loopTempo: false,
}

/**
 * The findings that can be why one device does nothing: about itself, about a box or cable on the way to it or one that
 * feeds those, or about a switch that speaks to it. Errors before what only may be the reason.
 */
export function silencing(
  rig: Rig,
  found: readonly Finding[],
  device: Device,
  way: Arrival | null,
): Finding[] {
  const boxes = new Set([device.id as string, ...(way?.through ?? []), ...Object.keys(rig.controllers)])
  const power = powerPlan(rig)
  const feeding = power.consumers.flatMap(({ box, by }) =>
    boxes.has(box.id) ? by.map(({ cable }) => cable.id) : [],
  )
  // One outlet with too much on it silences all that hang on it.
  const shared = power.outlets.flatMap(({ feeds }) =>
    feeds.some(({ box }) => boxes.has(box.id)) ? feeds.map(({ link }) => link.cable.id) : [],
  )
  const cables = new Set<string>([...(way?.cables ?? []), ...feeding, ...shared])
  const isAbout = (one: Finding): boolean => {
    const { table, id } = one.about
    switch (table) {
      case 'devices':
      case 'controllers':
        return boxes.has(id)
      case 'cables':
        return cables.has(id)
      case 'switches': {
        const footswitch = own(rig.switches, id)
        return (
          namesDevice(one, device) || (footswitch !== undefined && spokenTo(rig, footswitch).has(device.id))
        )
      }
      case 'sounds':
        return namesDevice(one, device)
      case 'controls':
        return own(rig.controls, id)?.deviceId === device.id
      default:
        return false
    }
  }
  return found
    .filter((one) => SILENCES[one.code] && isAbout(one))
    .sort((a, b) => Number(b.severity === 'error') - Number(a.severity === 'error'))
}

const namesDevice = ({ facts }: Finding, device: Device): boolean =>
  'device' in facts && facts.device === device.name

/** What feeds a box: the supply that is drawn, or a supply of its own that nobody has drawn. */
export function feederOf(rig: Rig, boxId: string): string | null {
  const by = powerPlan(rig).consumers.find(({ box }) => box.id === boxId)?.by[0]
  if (!by) return null
  const giver = by.from.box.id === boxId ? by.to : by.from
  return boxOf(rig, giver.box.id) ? `${boxName(rig, giver.box.id)}, ${giver.port.name}` : null
}
