import { perObject } from '#core/base'
import { needsCalibration, noFoot, pluggedPedal } from '#core/pedal'
import {
  boxes,
  boxOf,
  cablesIn,
  isForMidi,
  links,
  type Box,
  type Link,
  arrivals,
  hasSoundJacks,
  isSoundEnd,
  phantomOf,
  receivers,
  formatDisplay,
  byIndex,
  inOrder,
  type Rig,
  type Adapter,
  type Lead,
  type Device,
  type Pedal,
  roleOf,
  type Port,
  type RoleKind,
  type Saving,
  isProgrammed,
  type Footswitch,
  addressOf,
} from '#core/rig'
import { actionRecalls } from '#core/switching'

/** In this order: nothing is switched on while cables are laid; menus need power; what is not saved last is lost. */
export const PHASES = ['cables', 'power', 'jacks', 'settings', 'saving', 'trying'] as const

/** The part of the work a line belongs to, in the order of doing. */
export type Phase = (typeof PHASES)[number]

/** What one line asks for, with the facts its words are made of. */
export type Task =
  | {
      readonly kind: 'cable'
      readonly from: string
      readonly fromJack: string
      readonly to: string
      readonly toJack: string
      readonly carries: RoleKind
      readonly lead: Lead
      readonly adapters: readonly Adapter[]
      readonly centimetres: number
      readonly colour: string
    }
  | {
      readonly kind: 'role'
      readonly box: string
      readonly jack: string
      readonly role: RoleKind
      readonly factory: RoleKind
      /** What the jack cannot be used for then. */
      readonly lost: readonly RoleKind[]
    }
  | {
      readonly kind: 'contact'
      readonly box: string
      readonly jack: string
      readonly rest: 'open' | 'closed'
      readonly action: 'latching' | 'momentary' | 'either'
    }
  | {
      readonly kind: 'calibrate'
      readonly pedal: string
      readonly box: string
      readonly jack: string
      /** What is plugged in, and the readings to take for heel and toe; null while it has not been swept. */
      readonly plugged: string
      readonly ends: { readonly from: number; readonly to: number } | null
    }
  | { readonly kind: 'thru'; readonly box: string; readonly jack: string; readonly next: string }
  | { readonly kind: 'switchOn'; readonly boxes: readonly string[] }
  | {
      readonly kind: 'channel'
      readonly device: string
      readonly channel: number | 'omni' | 'none'
      readonly factory: number | 'omni' | 'none'
    }
  | { readonly kind: 'receivePrograms'; readonly device: string }
  | { readonly kind: 'sendNoPrograms'; readonly device: string }
  | { readonly kind: 'clock'; readonly device: string; readonly follows: boolean }
  | { readonly kind: 'save'; readonly box: string; readonly how: Saving['how']; readonly losesEdits: boolean }
  | {
      readonly kind: 'try'
      readonly device: string
      readonly bank: string
      readonly number: number
      readonly label: string
      readonly display: string
      readonly program: number
    }
  /** All cables are in; so many of them are for power. */
  | { readonly kind: 'allCables'; readonly count: number; readonly power: number }
  | { readonly kind: 'startBank'; readonly box: string; readonly shown: number; readonly bank: string }
  | { readonly kind: 'tunerOff'; readonly devices: readonly string[] }
  | { readonly kind: 'volumes'; readonly pedals: readonly string[] }
  /** `holds` is a mark of all that must be saved there: another one is another rig. */
  | { readonly kind: 'saved'; readonly box: string; readonly how: Saving['how']; readonly holds: string }
  | { readonly kind: 'copy'; readonly holds: string }
  /** A control that takes the number it is sent while it waits. */
  | {
      readonly kind: 'learn'
      readonly device: string
      readonly control: string
      readonly hexes: readonly string[]
    }
  | {
      readonly kind: 'prepare'
      readonly device: string
      readonly display: string
      readonly preset: string
      readonly values: readonly string[]
    }
  /** Numbers kept in each preset that are not in this one yet. */
  | {
      readonly kind: 'mapIn'
      readonly device: string
      readonly display: string
      readonly preset: string
      readonly controls: readonly string[]
    }
  /** Two states that are stored as they are. */
  | {
      readonly kind: 'example'
      readonly device: string
      readonly pair: string
      readonly by: string
      readonly a: readonly string[]
      readonly b: readonly string[]
    }
  | {
      readonly kind: 'firstPart'
      readonly song: string
      readonly sound: string
      readonly shown: number
      readonly number: number
      readonly isShift: boolean
    }

/** One thing to do before the rig works, with what there is to know for it. */
export interface ChecklistLine {
  /** The same as long as the line is about the same thing. */
  readonly key: string
  readonly phase: Phase
  readonly about: { readonly table: 'controllers' | 'devices' | 'cables'; readonly id: string }
  readonly task: Task
  /** What the line says, as one text: a tick holds only while this stays the same. */
  readonly said: string
}

const line = (phase: Phase, key: string, about: ChecklistLine['about'], task: Task): ChecklistLine => ({
  key,
  phase,
  about,
  task,
  said: JSON.stringify(task),
})

const aboutBox = (box: Box): ChecklistLine['about'] => ({
  table: 'kind' in box ? 'devices' : 'controllers',
  id: box.id,
})

/** Every line, in the order in which it is best done. */
export const checklist = perObject((rig: Rig): readonly ChecklistLine[] => [
  ...links(rig)
    .toSorted((a, b) => rank(a) - rank(b))
    .map(cableLine),
  ...powerLines(rig),
  ...boxes(rig).flatMap((box) => box.ports.flatMap((port) => jackLines(rig, box, port))),
  ...inOrder(rig.pedals).flatMap((pedal) => calibrationLine(rig, pedal)),
  ...receivers(rig).flatMap((device) => settingLines(rig, device)),
  ...boxes(rig).flatMap(savingLines),
  ...receivers(rig).flatMap((device) => tryLine(rig, device)),
])

/** MIDI first, power last: nothing is fed before all is in place. */
const rank = (link: Link): number => (isForMidi(link) ? 0 : link.from.meant.kind === 'powerOut' ? 2 : 1)

function cableLine({ cable, from, to }: Link): ChecklistLine {
  return line(
    'cables',
    `cable/${cable.id}`,
    { table: 'cables', id: cable.id },
    {
      kind: 'cable',
      from: from.box.name,
      fromJack: from.port.name,
      to: to.box.name,
      toJack: to.port.name,
      carries: from.meant.kind,
      lead: cable.lead,
      adapters: cable.adapters,
      centimetres: cable.centimetres,
      colour: cable.colour,
    },
  )
}

function jackLines(rig: Rig, box: Box, port: Port): ChecklistLine[] {
  const inUse = cablesIn(rig, box.id, port.id)
  if (inUse.length === 0) return []
  const role = roleOf(port)
  const lines: ChecklistLine[] = []
  const add = (what: string, task: Task) =>
    lines.push(line('jacks', `${what}/${box.id}/${port.id}`, aboutBox(box), task))
  if (port.roles.length > 1)
    add('role', {
      kind: 'role',
      box: box.name,
      jack: port.name,
      role: role.kind,
      factory: port.roles[port.factoryRole]!.kind,
      lost: port.roles.filter((one) => one !== role).map(({ kind }) => kind),
    })
  if (canBeTold(box) && (role.kind === 'switchIn' || (role.kind === 'switchOut' && role.by === 'relay')))
    add('contact', { kind: 'contact', box: box.name, jack: port.name, rest: role.rest, action: role.action })
  if ('passes' in role && (role.passes === 'on' || role.passes === 'off') && isOnward(box, inUse)) {
    const next = inUse.map(({ from, to }) => (from.end.id === box.id ? to : from).box.name)[0]!
    add('thru', { kind: 'thru', box: box.name, jack: port.name, next })
  }
  return lines
}

/** Every pedal is swept before it is trusted, and again when another is plugged in (common practice). */
function calibrationLine(rig: Rig, pedal: Pedal): ChecklistLine[] {
  const { place, calibration, id, name } = pedal
  if (noFoot(rig, pedal) !== null) return []
  const box = boxOf(rig, place.kind === 'jack' ? place.id : place.controllerId)
  if (!box) return []
  const port = place.kind === 'jack' ? box.ports.find((one) => one.id === place.port) : undefined
  const isFresh = needsCalibration(rig, pedal) === null && calibration?.verdict === 'pass'
  const task: Task = {
    kind: 'calibrate',
    pedal: name,
    box: box.name,
    jack: port?.name ?? '',
    plugged: pluggedPedal(rig, pedal)?.name ?? '',
    ends: isFresh ? { from: calibration.from, to: calibration.to } : null,
  }
  return [line('jacks', `calibrate/${id}`, aboutBox(box), task)]
}

/** What has a menu: an amp or a pedal without MIDI cannot be told how its jack is wired. */
const canBeTold = (box: Box): boolean => !('kind' in box) || box.kind === 'receiver' || box.kind === 'box'

/** A two-way jack of a box that passes on, or an out: something behind it waits. */
const isOnward = (box: Box, inUse: readonly Link[]): boolean =>
  inUse.some((link) => isForMidi(link) && (link.from.end.id === box.id || link.from.meant.kind !== 'midiOut'))

/** Supplies first, then what makes no sound, and what is loud last (common practice). */
function powerLines(rig: Rig): ChecklistLine[] {
  const lit = boxes(rig).filter(lightsUp)
  if (lit.length === 0) return []
  const order = lit.toSorted((a, b) => powerRank(a) - powerRank(b))
  return [
    line('power', 'switchOn', aboutBox(order[0]!), {
      kind: 'switchOn',
      boxes: order.map(({ name }) => name),
    }),
  ]
}

const powerRank = (box: Box): number =>
  !('kind' in box) ? 1 : box.kind === 'supply' ? 0 : isLoud(box) ? 3 : 2

/** A sound device without MIDI that takes its power from the wall: an amp. */
const isLoud = (device: Device): boolean =>
  device.kind === 'plain' && (isSoundEnd(device) || (!hasSoundJacks(device) && !hasPowerJack(device)))

const hasPowerJack = ({ ports }: Box): boolean =>
  ports.some(({ roles }) => roles.some((role) => role.kind === 'powerIn' || phantomOf(role) === 'takes'))

/** Whether a box is switched on at all: a pedal moved by the foot and a box of plain jacks are not. */
const lightsUp = (box: Box): boolean =>
  !('kind' in box) || box.kind === 'receiver' || box.kind === 'supply' || isLoud(box) || hasPowerJack(box)

function settingLines(rig: Rig, device: Device): ChecklistLine[] {
  const about = aboutBox(device)
  const add = (what: string, task: Task) => line('settings', `${what}/${device.id}`, about, task)
  const canSend = device.ports.some(({ roles }) =>
    roles.some(
      (role) => (role.kind === 'midiOut' && !role.isThru) || role.kind === 'usb' || role.kind === 'air',
    ),
  )
  const hearsClock = inOrder(rig.controllers).some(
    ({ id, sendsClock }) => sendsClock && arrivals(rig, id).has(device.id),
  )
  return [
    add('channel', {
      kind: 'channel',
      device: device.name,
      channel: device.channel,
      factory: device.factoryChannel,
    }),
    ...(device.receivesPrograms
      ? [add('receivePrograms', { kind: 'receivePrograms', device: device.name })]
      : []),
    ...(canSend && !device.sendsProgramsBack
      ? [add('sendNoPrograms', { kind: 'sendNoPrograms', device: device.name })]
      : []),
    ...(hearsClock
      ? [add('clock', { kind: 'clock', device: device.name, follows: device.followsClock })]
      : []),
  ]
}

function savingLines(box: Box): ChecklistLine[] {
  if ('kind' in box && box.kind !== 'receiver') return []
  const { how, losesEdits } = box.saving
  return how === 'itself'
    ? []
    : [line('saving', `save/${box.id}`, aboutBox(box), { kind: 'save', box: box.name, how, losesEdits })]
}

/** The first switch that says which preset a device should be in. */
function tryLine(rig: Rig, device: Device): ChecklistLine[] {
  for (const bank of byIndex(rig.banks))
    for (const footswitch of switchesOf(rig, bank.id)) {
      const index = footswitch.positions[0]!.flatMap((action) => actionRecalls(rig, action)).find(
        ({ deviceId }) => deviceId === device.id,
      )?.index
      if (index === undefined) continue
      return [
        line('trying', `try/${device.id}`, aboutBox(device), {
          kind: 'try',
          device: device.name,
          bank: bank.name,
          number: footswitch.number,
          label: footswitch.label,
          display: formatDisplay(device.numbering, index),
          program: addressOf(device.numbering, index).program,
        }),
      ]
    }
  return []
}

const switchesOf = (rig: Rig, bankId: string): Footswitch[] =>
  Object.values(rig.switches)
    .filter((one) => one.bankId === bankId && isProgrammed(one))
    .sort((a, b) => a.number - b.number)
