import { dequal } from 'dequal/lite'
import { own, accept, refuse, type Result } from '#core/base'
import { inputOf, wayOf, type LoopWay, type LoopWish } from '#core/looper'
import {
  contactsOf,
  findSwitch,
  putSwitch,
  switchAt,
  type SwitchSlot,
  type Edit,
  type Rig,
  type Action,
  type ActionOf,
  type BankId,
  type Controller,
  type Device,
  type DeviceId,
  type LoopChart,
  type LoopInput,
  BLANK_SWITCH,
  type Footswitch,
  type SwitchId,
} from '#core/rig'

/** Why a looper cannot be worked as asked. */
export type LoopPlanRefusal =
  | { readonly code: 'noLooper' }
  /** Nothing says what works this input, or nothing of the rig reaches it. */
  | { readonly code: 'notReached'; readonly input: string }
  /** It has a message for each thing: one switch is not enough. */
  | { readonly code: 'needsMore'; readonly least: number }
  /** The looper has no press that does it. */
  | { readonly code: 'cannot'; readonly wish: LoopWish }
  /** The controller cannot pause between two presses, in ms. */
  | { readonly code: 'noWait'; readonly needsMs: number }

type Planned = Pick<Footswitch, 'label' | 'positions' | 'release' | 'longPress'>

/** Between the presses of a double press made by the controller, in ms: well within the looper's window. */
const apart = ({ doubleMs }: LoopChart): number => Math.round(doubleMs / 2)
const CLOSED_MS = 60

/**
 * What goes on one, two or three switches of a bank. What runs the loop is handed on foot for foot, so that it is hit in
 * time and the looper counts holds and double presses itself; stopping has a switch of its own as soon as there are two.
 */
export function plannedLoop(
  rig: Rig,
  deviceId: DeviceId,
  controller: Controller | null,
  count: 1 | 2 | 3,
): Result<readonly Planned[], LoopPlanRefusal> {
  const device = own(rig.devices, deviceId)
  const chart = device?.looper
  if (!device || !chart) return refuse({ code: 'noLooper' })
  const run = wayOf(chart, 'run')
  if (run?.gesture === 'press') {
    const wishes: readonly LoopWish[] = ['run', 'stop', 'undo']
    const planned: Planned[] = []
    for (const wish of wishes.slice(0, count)) {
      const way = wish === 'run' ? run : wayOf(chart, wish)
      if (!way || way.gesture === 'hold') return refuse({ code: 'cannot', wish })
      const one = worked(rig, device, chart, controller, wish, way)
      if (!one.ok) return one
      planned.push(one.value)
    }
    return accept(planned)
  }
  return functionPlan(rig, device, chart, count)
}

const LABELS: Readonly<Record<LoopWish, string>> = {
  run: 'Loop',
  stop: 'Stop loop',
  undo: 'Undo loop',
  clear: 'Clear loop',
}

function worked(
  rig: Rig,
  device: Device,
  chart: LoopChart,
  controller: Controller | null,
  wish: LoopWish,
  { input: id, gesture }: LoopWay,
): Result<Planned, LoopPlanRefusal> {
  const input = inputOf(chart, id)!
  const foot = footOf(rig, device, input)
  if (!foot) return refuse({ code: 'notReached', input: input.name })
  const label = LABELS[wish]
  if (gesture === 'press') return accept({ label, positions: [foot.down], release: foot.up, longPress: [] })
  const ms = apart(chart)
  if (foot.pulse)
    return accept({
      label,
      positions: [[{ ...foot.pulse, times: 2, closedMs: CLOSED_MS, everyMs: ms }]],
      release: [],
      longPress: [],
    })
  if ((controller?.waitMs ?? 0) < ms) return refuse({ code: 'noWait', needsMs: ms })
  const press = [...foot.down, ...foot.up]
  return accept({
    label,
    positions: [[...press, { kind: 'wait', ms }, ...press]],
    release: [],
    longPress: [],
  })
}

interface FootOn {
  readonly down: Action[]
  readonly up: Action[]
  /** The contact, where pulses can be made of it. */
  readonly pulse: ActionOf<'contact'> | null
}

/** A foot on an input, handed on. */
function footOf(rig: Rig, device: Device, { by }: LoopInput): FootOn | null {
  if (by === null) return null
  if (by.kind === 'contact') {
    const isReached = contactsOf(rig, device).some(({ id, output }) => id === by.contactId && output !== null)
    if (!isReached) return null
    const contact: ActionOf<'contact'> = {
      kind: 'contact',
      deviceId: device.id,
      contactId: by.contactId,
      does: 'pulse',
      times: 1,
      closedMs: CLOSED_MS,
      everyMs: 500,
    }
    return { down: [{ ...contact, does: 'close' }], up: [{ ...contact, does: 'open' }], pulse: contact }
  }
  const control = own(rig.controls, by.controlId)
  if (!control) return null
  const down: Action[] = [{ kind: 'looper', controlId: control.id, does: 'oneButton' }]
  const isHeld = control.reading.kind === 'switch' || control.reading.kind === 'range'
  return { down, up: isHeld ? [{ kind: 'setControl', controlId: control.id, value: 0 }] : [], pulse: null }
}

/** A message for each thing: recording apart from stopping, and what clears behind a long press of what does not stop. */
function functionPlan(
  rig: Rig,
  device: Device,
  chart: LoopChart,
  count: 1 | 2 | 3,
): Result<readonly Planned[], LoopPlanRefusal> {
  if (count === 1) return refuse({ code: 'needsMore', least: 2 })
  const does = (id: string): Action[] | null => {
    const input = inputOf(chart, id)
    const foot = input && footOf(rig, device, input)
    return foot ? [...foot.down, ...foot.up] : null
  }
  for (const id of ['record', 'play', 'overdub', 'stop']) {
    const input = inputOf(chart, id)
    if (!input) return refuse({ code: 'cannot', wish: 'run' })
    if (!does(id)) return refuse({ code: 'notReached', input: input.name })
  }
  const on = (label: string, positions: Action[][], longPress: Action[] | null): Planned => ({
    label,
    positions,
    release: [],
    longPress: longPress ?? [],
  })
  const [record, play, overdub, stop] = ['record', 'play', 'overdub', 'stop'].map((id) => does(id)!)
  if (count === 2)
    return accept([on('Record loop', [record!], overdub!), on('Play, stop loop', [play!, stop!], null)])
  return accept([
    on('Record loop', [record!], does('clear')),
    on('Play loop', [play!], overdub!),
    on('Stop loop', [stop!], does('undo')),
  ])
}

/** Puts a plan on switches of a bank, by number; what was there goes. Null where none changes. */
export function planLooper(
  rig: Rig,
  bankId: BankId,
  planned: readonly Planned[],
  places: readonly { readonly number: number; readonly newId: SwitchId }[],
): Edit | null {
  const changes = planned.flatMap((one, n) => {
    const place = places[n]
    if (!place) return []
    const slot: SwitchSlot = { bankId, ...place }
    const before = switchAt(rig, slot)
    const { id, number, jack, layer } = before
    const after: Footswitch = { ...BLANK_SWITCH, id, bankId, number, jack, layer, ...one }
    return dequal(after, findSwitch(rig, bankId, place.number)) ? [] : [putSwitch(rig, after)]
  })
  return changes.length === 0 ? null : { label: 'planLooper', changes }
}
