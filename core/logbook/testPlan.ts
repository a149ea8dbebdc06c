import { digest, own } from '#core/base'
import { encodeMessage, hexOf } from '#core/midi'
import {
  receivers,
  perTables,
  byIndex,
  FLOOR_TABLES,
  inOrder,
  type Rig,
  switchesHere,
  type Action,
  type Bank,
  type DeviceId,
  type NoteAbout,
  type Pedal,
  type Target,
  isProgrammed,
  LAYERS,
  type Footswitch,
  type Layer,
} from '#core/rig'
import { compile, type CompiledStep, type SwitchEvent } from '#core/switching'

/** What a foot does in a test: `press` is the first, `again` the next and those after it. */
export type TestHow = 'press' | 'again' | 'hold' | 'double'

/** One thing to try and to watch. */
export type TestLine = {
  /** Names it for good. */
  readonly key: string
  readonly about: NoteAbout
  /** What it comes to now, as a mark: a result counts as long as this is the same. */
  readonly said: string
} & (
  | {
      readonly kind: 'switch'
      readonly bankId: Bank['id']
      readonly layer: Layer
      readonly jack: string
      readonly number: number
      readonly how: TestHow
      /** Of presses, from 0. */
      readonly nth: number
      readonly actions: readonly Action[]
      /** Devices it sends to, or whose contacts it sets: they should be seen to move. */
      readonly deviceIds: readonly DeviceId[]
    }
  | {
      readonly kind: 'pedal'
      readonly pedalId: Pedal['id']
      readonly end: 'heel' | 'toe'
      /** What should have moved there, in every role. */
      readonly targets: readonly Target[]
    }
  /** Something on it moves when it is called at all; `bySwitch` the first that does. */
  | { readonly kind: 'device'; readonly deviceId: DeviceId; readonly bySwitch: Footswitch['id'] | null }
)

/** Everything to be tried on a rig, in the order in which one would: bank by bank, then pedals, then device by device. */
export const testPlan = perTables(FLOOR_TABLES, (rig: Rig): readonly TestLine[] => {
  const switches = inOrder(rig.controllers).flatMap(({ id }) =>
    byIndex(rig.banks)
      .filter(({ controllerId }) => controllerId === id)
      .flatMap((bank) => LAYERS.flatMap((layer) => layerLines(rig, bank, layer))),
  )
  return [...switches, ...inOrder(rig.pedals).flatMap(pedalLines), ...deviceLines(rig, switches)]
})

function layerLines(rig: Rig, bank: Bank, layer: Layer): TestLine[] {
  return [...switchesHere(rig, bank.id, layer).values()]
    .filter((one) => isProgrammed(one) && one.layer === layer)
    .sort((a, b) => (a.jack < b.jack ? -1 : a.jack > b.jack ? 1 : a.number - b.number))
    .flatMap((one) => switchLines(rig, bank, layer, one))
}

function switchLines(rig: Rig, bank: Bank, layer: Layer, one: Footswitch): TestLine[] {
  const events = own(rig.controllers, bank.controllerId)?.events ?? []
  const line = (how: TestHow, nth: number, event: SwitchEvent, position: number): TestLine => {
    const actions = event === 'press' ? one.positions[position]! : one[event]
    const steps = compile(rig, one, event, position)
    return {
      key: ['switch', bank.id, layer, one.jack, one.number, how, nth].join('/'),
      about: { table: 'switches', id: one.id },
      said: digest(JSON.stringify([actions, steps.flatMap(sentText)])),
      kind: 'switch',
      bankId: bank.id,
      layer,
      jack: one.jack,
      number: one.number,
      how,
      nth,
      actions,
      deviceIds: devicesIn(steps),
    }
  }
  // Pressed twice at least: the second press of a switch with one position does the same again.
  const presses = Math.max(2, one.positions.length)
  return [
    ...Array.from({ length: presses }, (_, n) =>
      line(n === 0 ? 'press' : 'again', n, 'press', n % one.positions.length),
    ),
    ...(one.longPress.length > 0 && events.includes('longPress')
      ? [line('hold', 0, 'longPress', 0)]
      : one.release.length > 0
        ? [line('hold', 0, 'release', 0)]
        : []),
    ...(one.doublePress.length > 0 && events.includes('doublePress')
      ? [line('double', 0, 'doublePress', 0)]
      : []),
  ]
}

const sentText = (step: CompiledStep): string[] =>
  step.kind === 'send'
    ? [hexOf(encodeMessage(step.message))]
    : step.kind === 'contact'
      ? [`${step.deviceId} ${step.contactId} ${step.isClosed}`]
      : []

const devicesIn = (steps: readonly CompiledStep[]): DeviceId[] => [
  ...new Set(
    steps.flatMap((step) =>
      step.kind === 'contact' || (step.kind === 'send' && step.deviceId !== null) ? [step.deviceId!] : [],
    ),
  ),
]

function pedalLines(pedal: Pedal): TestLine[] {
  const targets = pedal.roles.flatMap((role) => role.targets)
  if (targets.length === 0) return []
  const said = digest(JSON.stringify([pedal.roles, pedal.calibration, pedal.off]))
  return (['heel', 'toe'] as const).map((end) => ({
    key: `pedal/${pedal.id}/${end}`,
    about: { table: 'pedals', id: pedal.id },
    said,
    kind: 'pedal',
    pedalId: pedal.id,
    end,
    targets,
  }))
}

function deviceLines(rig: Rig, switches: readonly TestLine[]): TestLine[] {
  return receivers(rig).map((device): TestLine => {
    const by = switches.find((one) => one.kind === 'switch' && one.deviceIds.includes(device.id))
    return {
      key: `device/${device.id}`,
      about: { table: 'devices', id: device.id },
      said: digest(JSON.stringify([device.channel, device.numbering, by?.said ?? null])),
      kind: 'device',
      deviceId: device.id,
      bySwitch: by?.kind === 'switch' ? (by.about.id as Footswitch['id']) : null,
    }
  })
}
