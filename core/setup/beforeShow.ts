import { digest, own } from '#core/base'
import { targetKind } from '#core/pedal'
import {
  links,
  inOrder,
  type Rig,
  type TableName,
  perTables,
  showOn,
  type ControllerId,
  type DeviceId,
  namedIn,
} from '#core/rig'
import { showController, standAtStart, waysOfShow } from '#core/show'
import { expanded, litBy } from '#core/switching'
import { checklist, type ChecklistLine, type Task } from './checklist'

/** The first part of their keys: a tick for tonight is another than one for the first stomp. */
export const BEFORE_SHOW = 'show/'

/**
 * What is looked at before every show, in the order in which it is best done: cables, power, jacks, where the controller
 * begins, what must have been saved, a copy, one sound played softly. What was saved since is told by the ticks: one holds as
 * long as nothing that must be saved there has changed.
 */
export function beforeShow(rig: Rig): readonly ChecklistLine[] {
  const all = checklist(rig)
  const again = (kinds: readonly Task['kind'][]) =>
    all.filter(({ task }) => kinds.includes(task.kind)).map((one) => ({ ...one, key: BEFORE_SHOW + one.key }))
  const controller = showController(rig)
  const about = controller ? ({ table: 'controllers', id: controller.id } as const) : null
  const ofController = (phase: ChecklistLine['phase'], what: string, task: Task | null): ChecklistLine[] =>
    about && task ? [{ key: `${BEFORE_SHOW}${what}`, phase, about, task, said: JSON.stringify(task) }] : []
  return [
    ...ofController('cables', 'cables', cablesTask(rig)),
    ...again(['switchOn']),
    ...again(['role', 'calibrate']).filter(({ task }) => task.kind !== 'role' || task.role !== task.factory),
    ...ofController('settings', 'start', startTask(rig)),
    ...ofController('settings', 'tuner', tunerTask(rig)),
    ...ofController('settings', 'volume', volumeTask(rig)),
    ...all.flatMap((one): ChecklistLine[] => {
      if (one.task.kind !== 'save') return []
      const holds =
        one.about.table === 'controllers'
          ? controllerMark(rig, one.about.id as ControllerId)
          : deviceMark(rig, one.about.id as DeviceId)
      const task: Task = { kind: 'saved', box: one.task.box, how: one.task.how, holds }
      return [{ ...one, key: BEFORE_SHOW + one.key, task, said: JSON.stringify(task) }]
    }),
    ...ofController('saving', 'copy', { kind: 'copy', holds: rigMark(rig) }),
    ...ofController('trying', 'first', firstTask(rig)),
  ]
}

function cablesTask(rig: Rig): Task | null {
  const all = links(rig).filter(({ cable }) => cable.lead !== 'air')
  return all.length === 0
    ? null
    : {
        kind: 'allCables',
        count: all.length,
        power: all.filter(({ from }) => from.meant.kind === 'powerOut').length,
      }
}

function startTask(rig: Rig): Task | null {
  const controller = showController(rig)
  const start = controller && standAtStart(rig, controller)
  const bank = own(rig.banks, start?.bankId ?? '')
  return controller && bank
    ? { kind: 'startBank', box: controller.name, shown: bank.index + controller.firstBank, bank: bank.name }
    : null
}

/** Switches that work a tuner: it mutes as long as it is on. */
function tunerTask(rig: Rig): Task | null {
  const names = inOrder(rig.devices).flatMap(({ id, name }) =>
    Object.values(rig.switches).some((one) =>
      [...one.positions, one.longPress, one.doublePress].some((list) =>
        expanded(rig, list).some(
          ({ action }) =>
            litBy(action) === 'tuner' &&
            own(rig.controls, namedIn(action, 'controls') ?? '')?.deviceId === id,
        ),
      ),
    )
      ? [name]
      : [],
  )
  return names.length === 0 ? null : { kind: 'tunerOff', devices: names }
}

/** Pedals that lead how loud something is. */
function volumeTask(rig: Rig): Task | null {
  const pedals = inOrder(rig.pedals)
    .filter(({ roles }) =>
      roles.some(({ targets }) =>
        targets.some(({ controlId }) => {
          const control = own(rig.controls, controlId)
          return control !== undefined && targetKind(control) === 'level'
        }),
      ),
    )
    .map(({ name }) => name)
  return { kind: 'volumes', pedals }
}

function firstTask(rig: Rig): Task | null {
  const show = showOn(rig)
  const first = show && waysOfShow(rig, show).find(({ route }) => route !== null)
  const move = first?.route?.moves.at(-1)
  const bank = own(rig.banks, move?.from.bankId ?? '')
  const controller = showController(rig)
  if (!first || !move || !bank || !controller) return null
  return {
    kind: 'firstPart',
    song: first.played.song.name,
    sound: own(rig.sounds, first.played.soundId ?? '')?.name ?? '',
    shown: bank.index + controller.firstBank,
    number: move.number,
    isShift: move.from.layer === 'shift',
  }
}

/** What a row says that nobody keys in: where it lies, what it is coloured, how the box is keyed in, what its dumps look like. */
const ASIDE: ReadonlySet<string> = new Set([
  'order',
  'spot',
  'notes',
  'colour',
  'isPinned',
  'keying',
  'dumping',
])
/** In whatever order the fields of a row stand: a database gives them in another than the schema. */
const markOf = (rows: readonly object[]): string =>
  digest(JSON.stringify(rows, (_, value: unknown) => sorted(value)))

const sorted = (value: unknown): unknown =>
  typeof value !== 'object' || value === null || Array.isArray(value)
    ? value
    : Object.fromEntries(
        Object.entries(value)
          .filter(([key]) => !ASIDE.has(key))
          .sort(([a], [b]) => (a < b ? -1 : 1)),
      )

/** What a controller holds follows from these. */
const HELD = [
  'devices',
  'controls',
  'presets',
  'pairs',
  'sounds',
  'macros',
  'songs',
  'parts',
  'shows',
  'banks',
  'switches',
  'pedals',
] as const satisfies readonly TableName[]

const rowsMark = perTables(HELD, (rig: Rig) =>
  markOf(HELD.map((table) => Object.values<object>(rig[table]).toSorted(byId))),
)

const byId = (a: object, b: object): number => ((a as { id: string }).id < (b as { id: string }).id ? -1 : 1)

const controllerMark = (rig: Rig, id: ControllerId): string =>
  digest(rowsMark(rig) + markOf([own(rig.controllers, id) ?? {}]))

const deviceMark = (rig: Rig, deviceId: DeviceId): string =>
  markOf([
    own(rig.devices, deviceId) ?? {},
    ...(['controls', 'presets', 'pairs'] as const).flatMap((table) =>
      Object.values<{ readonly deviceId: string }>(rig[table])
        .filter((row) => row.deviceId === deviceId)
        .toSorted(byId),
    ),
  ])

const rigMark = (rig: Rig): string =>
  digest(
    rowsMark(rig) +
      markOf([...Object.values(rig.controllers).toSorted(byId), ...Object.values(rig.cables).toSorted(byId)]),
  )
