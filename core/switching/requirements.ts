import { own } from '#core/base'
import {
  isFree,
  cablesIn,
  receivers,
  addressOf,
  perRow,
  inOrder,
  type Rig,
  switchCount,
  type Controller,
  type Device,
  roleOf,
  type RoleKind,
  actionLists,
  type Footswitch,
} from '#core/rig'
import { expanded, needOf, switchRecalls } from './action'
import { COMPILE_KEYS, mostSteps, storedMessages, type SwitchEvent } from './compile'

/** What a rig may ask of its foot controller. */
export type Need =
  | 'switches'
  | 'banks'
  | 'messages'
  | 'highestProgram'
  | 'bankSelect'
  | 'holds'
  | 'longPresses'
  | 'doublePresses'
  | 'shiftLayer'
  | 'midiOut'
  | 'usbHost'
  | 'expressionInputs'
  | 'switchingOutputs'
  | 'switchInputs'
  | 'clock'
  | 'showList'

/** How much of it the rig wants; `by` names what wants it. */
export interface Requirement {
  readonly need: Need
  readonly wanted: number
  readonly by: readonly string[]
}

/** The parts of a controller that decide what it can do: a row or an archetype. */
export type Abilities = Omit<Controller, 'id' | 'order' | 'name' | 'spot'>

/** How much of a need a controller has; for a yes or no, 1 or 0. Contacts are counted one by one. */
export function abilityFor(controller: Abilities, need: Need): number {
  switch (need) {
    case 'switches':
      return switchCount(controller) - controller.keepsSwitches
    case 'banks':
      return controller.bankCount
    case 'messages':
      return controller.messagesPerEvent
    case 'highestProgram':
      return controller.highestProgram
    case 'bankSelect':
      return Number(controller.sendsBankSelect)
    case 'holds':
      return Number(controller.events.includes('release'))
    case 'longPresses':
      return Number(controller.events.includes('longPress'))
    case 'doublePresses':
      return Number(controller.events.includes('doublePress'))
    case 'shiftLayer':
      return Number(controller.hasShift)
    case 'midiOut':
      return jacks(controller, 'midiOut').length
    case 'usbHost':
      return jacks(controller, 'usb').filter((role) => role.kind === 'usb' && role.end === 'host').length
    case 'expressionInputs':
      return jacks(controller, 'expressionIn').length + controller.builtInPedals
    case 'switchingOutputs':
      return poles(controller, 'switchOut')
    case 'switchInputs':
      return poles(controller, 'switchIn')
    case 'clock':
      return Number(controller.sendsClock)
    case 'showList':
      return Number(controller.keepsShow)
  }
}

/** The role a jack could have, whatever it is set to; a shared jack counts for each of its roles. */
const jacks = ({ ports }: Pick<Controller, 'ports'>, kind: RoleKind) =>
  ports.flatMap(({ roles }) => roles.find((role) => role.kind === kind) ?? [])

const poles = (controller: Pick<Controller, 'ports'>, kind: 'switchOut' | 'switchIn'): number =>
  jacks(controller, kind).reduce((sum, role) => sum + ('poles' in role ? role.poles : 0), 0)

/** What one switch asks of its controller. */
interface Demand {
  /** The most messages one of its events sends. */
  readonly messages: number
  readonly highestProgram: number
  readonly stepsInShow: boolean
  /** Names of the devices it recalls presets on, and of those that need bank select for it. */
  readonly recalled: readonly string[]
  readonly banked: readonly string[]
}

const demandOf = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): Demand => {
  const addresses = switchRecalls(rig, footswitch).flatMap(({ deviceId, index }) => {
    const device = own(rig.devices, deviceId)
    return device ? [{ name: device.name, ...addressOf(device.numbering, index) }] : []
  })
  const sent = (event: SwitchEvent, position = 0) =>
    storedMessages(mostSteps(rig, footswitch, event, position))
  const namesOf = (some: typeof addresses) => [...new Set(some.map(({ name }) => name))]
  return {
    messages: highest([
      ...footswitch.positions.map((_, position) => sent('press', position)),
      sent('release'),
      sent('longPress'),
      sent('doublePress'),
    ]),
    highestProgram: highest(addresses.map(({ program }) => program)),
    stepsInShow: actionLists(footswitch).some(({ actions }) =>
      expanded(rig, actions).some(({ action }) => needOf(action) === 'showList'),
    ),
    recalled: namesOf(addresses),
    banked: namesOf(addresses.filter(({ bank }) => bank > 0)),
  }
})

const anyOf = (all: readonly Footswitch[], is: (one: Footswitch) => boolean): number => Number(all.some(is))

/** The highest of some numbers from 0 up; 0 for none. A long list is too much for the arguments of Math.max. */
const highest = (numbers: Iterable<number>): number => {
  let most = 0
  for (const number of numbers) if (number > most) most = number
  return most
}

/** What a rig asks of one of its controllers; needs of nought are left out. */
export function requirements(rig: Rig, controller: Controller): Requirement[] {
  const ours = Object.values(rig.switches).filter(
    ({ bankId }) => own(rig.banks, bankId)?.controllerId === controller.id,
  )
  const banks = Object.values(rig.banks).filter(({ controllerId }) => controllerId === controller.id)
  const inBank = new Map<string, number>()
  for (const { bankId, jack, layer } of ours)
    if (jack === '' && layer === 'base') inBank.set(bankId, (inBank.get(bankId) ?? 0) + 1)
  const demands = ours.map((footswitch) => demandOf(rig, footswitch))
  const recalled = new Set(demands.flatMap((demand) => demand.recalled))
  const banked = new Set(demands.flatMap((demand) => demand.banked))
  const isMain = inOrder(rig.controllers)[0]?.id === controller.id
  const all: Requirement[] = [
    { need: 'switches', wanted: highest(inBank.values()), by: [] },
    { need: 'banks', wanted: highest(banks.map(({ index }) => index + 1)), by: [] },
    { need: 'messages', wanted: highest(demands.map(({ messages }) => messages)), by: [] },
    {
      need: 'highestProgram',
      wanted: highest(demands.map(({ highestProgram }) => highestProgram)),
      by: [...recalled],
    },
    { need: 'bankSelect', wanted: Math.min(1, banked.size), by: [...banked] },
    { need: 'holds', wanted: anyOf(ours, ({ release }) => release.length > 0), by: [] },
    { need: 'longPresses', wanted: anyOf(ours, ({ longPress }) => longPress.length > 0), by: [] },
    { need: 'doublePresses', wanted: anyOf(ours, ({ doublePress }) => doublePress.length > 0), by: [] },
    { need: 'shiftLayer', wanted: anyOf(ours, ({ layer }) => layer === 'shift'), by: [] },
    { need: 'showList', wanted: Number(demands.some(({ stepsInShow }) => stepsInShow)), by: [] },
    // What the floor asks is asked of the first controller.
    ...(isMain ? floorNeeds(rig) : []),
  ]
  return all.filter(({ wanted }) => wanted > 0)
}

const namesOf = (devices: readonly Device[]): string[] => [...new Set(devices.map(({ name }) => name))]

function floorNeeds(rig: Rig): Requirement[] {
  const all = receivers(rig)
  const overUsb = all.filter(
    (device) =>
      isUsbOnly(device) && !device.ports.some((port) => cablesIn(rig, device.id, port.id).some(isHosted)),
  )
  const loose = (kind: Device['kind'], jack: RoleKind) =>
    inOrder(rig.devices).filter(
      (device) =>
        device.kind === kind &&
        device.ports.some(
          (port) =>
            roleOf(port).kind === jack &&
            (isFree(rig, device.id, port) || endsAtController(rig, device, port.id)),
        ),
    )
  const polesOf = (devices: readonly Device[], kind: 'switchIn' | 'switchOut') =>
    devices.reduce((sum, device) => sum + poles(device, kind), 0)
  const [pedals, feet, plain] = [
    loose('pedal', 'expressionOut'),
    loose('pedal', 'switchOut'),
    loose('plain', 'switchIn'),
  ]
  const followers = all.filter(({ followsClock }) => followsClock)
  return [
    { need: 'midiOut', wanted: all.some((device) => !isUsbOnly(device)) ? 1 : 0, by: [] },
    { need: 'usbHost', wanted: overUsb.length, by: namesOf(overUsb) },
    { need: 'expressionInputs', wanted: pedals.length, by: namesOf(pedals) },
    { need: 'switchingOutputs', wanted: polesOf(plain, 'switchIn'), by: namesOf(plain) },
    { need: 'switchInputs', wanted: polesOf(feet, 'switchOut'), by: namesOf(feet) },
    { need: 'clock', wanted: Math.min(1, followers.length), by: namesOf(followers) },
  ]
}

const isUsbOnly = (device: Device): boolean =>
  device.ports.some(({ roles }) => roles.some(({ kind }) => kind === 'usb')) &&
  !device.ports.some(({ roles }) => roles.some(({ kind }) => kind === 'midiIn' || kind === 'air'))

/** A host that is no controller at the other end. */
const isHosted = (link: ReturnType<typeof cablesIn>[number]): boolean =>
  [link.from, link.to].some(
    ({ meant, end }) => meant.kind === 'usb' && meant.end === 'host' && end.table === 'devices',
  )

const endsAtController = (rig: Rig, device: Device, port: string): boolean =>
  cablesIn(rig, device.id, port).some(({ from, to }) =>
    [from, to].some(({ end }) => end.table === 'controllers'),
  )

/** What a controller lacks of what is asked. */
export const lacking = (controller: Abilities, asked: readonly Requirement[]): Requirement[] =>
  asked.filter(({ need, wanted }) => abilityFor(controller, need) < wanted)
