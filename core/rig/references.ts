import { actionNames, type Action } from './table/action'
import type { Device } from './table/device'
import type { Pair } from './table/pair'
import type { Practice } from './table/practice'
import type { Preset } from './table/preset'
import type { SetValue } from './table/setValue'
import type { Cell, Sound } from './table/sound'
import type { Bank } from './table/bank'
import type { Controller } from './table/controller'
import type { Macro } from './table/macro'
import type { About } from './table/about'
import type { Part } from './table/part'
import type { Dump } from './table/dump'
import type { Note } from './table/note'
import type { Show } from './table/show'
import type { Pedal, PedalRole } from './table/pedal'
import type { Run, RunStep } from './table/run'
import { actionLists, type Footswitch } from './table/switch'
import type { TableName, Tables } from './rig'
import type { Path } from './problem'

/** One row naming another. `path` is inside the naming row. */
export interface Reference {
  readonly path: Path
  readonly table: TableName
  readonly id: string
  /** The row can be without it. */
  readonly isMention?: true
}

type Referring = { readonly [Table in TableName]: (row: Tables[Table]) => Reference[] }

/** What each row refers to, table by table. */
const referring: Referring = {
  about: ({ showId }) =>
    showId === null ? [] : [{ path: ['showId'], table: 'shows', id: showId, isMention: true }],
  controllers: ({ home, onPower }) => [
    ...(home === null
      ? []
      : [{ path: ['home'], table: 'banks' as const, id: home, isMention: true as const }]),
    ...actionReferences(['onPower'], onPower),
  ],
  devices: ({ bypass, rest, tapIn, looper }) => [
    ...(bypass.kind === 'control'
      ? [{ path: ['bypass', 'controlId'], table: 'controls' as const, id: bypass.controlId }]
      : []),
    ...(rest ? valueReferences(['rest', 'values'], rest.values) : []),
    ...(tapIn?.place.kind === 'control'
      ? [{ path: ['tapIn', 'place', 'controlId'], table: 'controls' as const, id: tapIn.place.controlId }]
      : []),
    ...(looper?.inputs ?? []).flatMap(({ by }, n): Reference[] =>
      by?.kind === 'control'
        ? [{ path: ['looper', 'inputs', n, 'by', 'controlId'], table: 'controls', id: by.controlId }]
        : [],
    ),
  ],
  controls: (control) => [{ path: ['deviceId'], table: 'devices', id: control.deviceId }],
  presets: (preset) => [
    { path: ['deviceId'], table: 'devices', id: preset.deviceId },
    ...valueReferences(['recalls'], preset.recalls),
    ...controlReferences('entered', preset.entered),
    ...controlReferences('lacks', preset.lacks),
  ],
  macros: ({ actions }) => actionReferences(['actions'], actions),
  songs: () => [],
  parts: ({ songId, soundId, tonight }) => [
    { path: ['songId'], table: 'songs', id: songId },
    ...(soundId === null
      ? []
      : [{ path: ['soundId'], table: 'sounds' as const, id: soundId, isMention: true as const }]),
    ...(tonight?.soundId
      ? [{ path: ['tonight', 'soundId'], table: 'sounds' as const, id: tonight.soundId }]
      : []),
  ],
  shows: ({ songIds }) => songIds.map((id, n) => ({ path: ['songIds', n], table: 'songs', id })),
  banks: ({ controllerId, pageOf, songId, enter, leave }) => [
    { path: ['controllerId'], table: 'controllers', id: controllerId },
    ...(pageOf === null
      ? []
      : [{ path: ['pageOf'], table: 'banks' as const, id: pageOf, isMention: true as const }]),
    ...(songId === null
      ? []
      : [{ path: ['songId'], table: 'songs' as const, id: songId, isMention: true as const }]),
    ...actionReferences(['enter'], enter),
    ...actionReferences(['leave'], leave),
  ],
  switches: (footswitch) => [
    { path: ['bankId'], table: 'banks', id: footswitch.bankId },
    ...actionLists(footswitch).flatMap(({ path, actions }) => actionReferences(path, actions)),
  ],
  pedals: ({ place, roles, off }) => [
    place.kind === 'jack'
      ? { path: ['place'], table: place.table, id: place.id }
      : { path: ['place'], table: 'controllers', id: place.controllerId },
    ...roles.flatMap((role, n) => roleReferences(['roles', n], role)),
    ...(off === null
      ? []
      : off.works.kind === 'control'
        ? [{ path: ['off', 'works', 'controlId'], table: 'controls' as const, id: off.works.controlId }]
        : [{ path: ['off', 'works', 'switchId'], table: 'switches' as const, id: off.works.switchId }]),
  ],
  cables: ({ from, to }) => [
    { path: ['from', 'id'], table: from.table, id: from.id },
    { path: ['to', 'id'], table: to.table, id: to.id },
  ],
  pairs: (pair) => [
    { path: ['deviceId'], table: 'devices', id: pair.deviceId },
    ...valueReferences(['a'], pair.a),
    ...valueReferences(['b'], pair.b),
  ],
  sounds: ({ parentId, cells, sending }) => [
    ...(parentId === null ? [] : [{ path: ['parentId'], table: 'sounds' as const, id: parentId }]),
    ...cells.flatMap(({ deviceId, cell }, n): Reference[] => [
      { path: ['cells', n, 'deviceId'], table: 'devices', id: deviceId },
      ...cellReferences(['cells', n, 'cell'], cell),
    ]),
    ...sending.map(({ deviceId }, n): Reference => ({
      path: ['sending', n, 'deviceId'],
      table: 'devices',
      id: deviceId,
    })),
  ],
  marks: () => [],
  runs: ({ steps }) =>
    steps.flatMap((step, n): Reference[] =>
      step.kind === 'power'
        ? [{ path: ['steps', n, 'deviceId'], table: 'devices', id: step.deviceId }]
        : step.kind === 'need'
          ? [{ path: ['steps', n, 'soundId'], table: 'sounds', id: step.soundId }]
          : step.kind === 'act'
            ? actionReferences(['steps', n, 'actions'], step.actions)
            : step.kind === 'pedal' || step.kind === 'toe'
              ? [{ path: ['steps', n, 'pedalId'], table: 'pedals', id: step.pedalId }]
              : [],
    ),
  rides: () => [],
  nevers: ({ things }) =>
    things.map((thing, n): Reference => {
      const path = ['things', n]
      if (thing.kind === 'preset') return { path, table: 'presets', id: thing.presetId }
      if (thing.kind === 'control') return { path, table: 'controls', id: thing.controlId }
      return { path, table: 'devices', id: thing.deviceId }
    }),
  dumps: ({ deviceId }) =>
    deviceId === null ? [] : [{ path: ['deviceId'], table: 'devices', id: deviceId, isMention: true }],
  notes: ({ about }) =>
    about === null ? [] : [{ path: ['about'], table: about.table, id: about.id, isMention: true }],
  keyIns: ({ controllerId }) => [{ path: ['controllerId'], table: 'controllers', id: controllerId }],
  practices: ({ pairs }) =>
    pairs.flatMap(({ from, to }, n): Reference[] => [
      { path: ['pairs', n, 'from'], table: 'sounds', id: from },
      { path: ['pairs', n, 'to'], table: 'sounds', id: to },
    ]),
}

function roleReferences(field: Path, { when, targets }: PedalRole): Reference[] {
  const hangsOn: Reference[] =
    when.kind === 'banks'
      ? when.bankIds.map((id, n) => ({ path: [...field, 'when', 'bankIds', n], table: 'banks', id }))
      : when.kind === 'control'
        ? [{ path: [...field, 'when', 'controlId'], table: 'controls', id: when.controlId }]
        : when.kind === 'held'
          ? [{ path: [...field, 'when', 'switchId'], table: 'switches', id: when.switchId }]
          : []
  return [
    ...hangsOn,
    ...targets.map(({ controlId }, n): Reference => ({
      path: [...field, 'targets', n, 'controlId'],
      table: 'controls',
      id: controlId,
    })),
  ]
}

const valueReferences = (field: Path, values: readonly SetValue[]): Reference[] =>
  values.map(({ controlId }, n) => ({ path: [...field, n, 'controlId'], table: 'controls', id: controlId }))

const actionReferences = (field: Path, actions: readonly Action[]): Reference[] =>
  actions.flatMap((action, n) =>
    actionNames(action).map((one) => ({ ...one, path: [...field, n, ...one.path] })),
  )

function cellReferences(field: Path, cell: Cell): Reference[] {
  switch (cell.kind) {
    case 'preset':
      return [
        { path: [...field, 'presetId'], table: 'presets', id: cell.presetId },
        ...valueReferences([...field, 'values'], cell.values),
      ]
    case 'values':
      return valueReferences([...field, 'values'], cell.values)
    case 'pair':
      return [{ path: [...field, 'pairId'], table: 'pairs', id: cell.pairId }]
    default:
      return []
  }
}

const controlReferences = (field: string, ids: readonly string[]): Reference[] =>
  ids.map((id, n) => ({ path: [field, n], table: 'controls', id }))

/** All rows that a row names, with the path at which it does. */
export const referencesOf = <Table extends TableName>(table: Table, row: Tables[Table]): Reference[] =>
  referring[table](row)

/**
 * The row once the rows in `removed` are gone: null when it cannot be without them, the same object
 * when it named none of them.
 */
export function withoutReferences<Table extends TableName>(
  table: Table,
  row: Tables[Table],
  removed: ReadonlySet<string>,
): Tables[Table] | null {
  const lost = referencesOf(table, row).filter((reference) =>
    removed.has(rowKey(reference.table, reference.id)),
  )
  if (lost.length === 0) return row
  const clean = cleaning[table]
  // What is named by the row's own field, or by a cable's end, it cannot be without.
  if (!clean || lost.some(({ path, isMention }) => path.length === 1 && !isMention)) return null
  return clean(row, (of, id) => !removed.has(rowKey(of, id)))
}

type Keeps = (table: TableName, id: string) => boolean

/** Tables whose rows only mention others in lists: what is left of such a row. */
const cleaning: { readonly [Table in TableName]?: (row: Tables[Table], keeps: Keeps) => Tables[Table] } = {
  switches: (footswitch, keeps): Footswitch => ({
    ...footswitch,
    positions: footswitch.positions.map((actions) => keptActions(actions, keeps)),
    release: keptActions(footswitch.release, keeps),
    longPress: keptActions(footswitch.longPress, keeps),
    doublePress: keptActions(footswitch.doublePress, keeps),
  }),
  macros: (macro, keeps): Macro => ({ ...macro, actions: keptActions(macro.actions, keeps) }),
  banks: (bank, keeps): Bank => ({
    ...bank,
    pageOf: bank.pageOf !== null && keeps('banks', bank.pageOf) ? bank.pageOf : null,
    songId: bank.songId !== null && keeps('songs', bank.songId) ? bank.songId : null,
    enter: keptActions(bank.enter, keeps),
    leave: keptActions(bank.leave, keeps),
  }),
  controllers: (controller, keeps): Controller => ({
    ...controller,
    home: controller.home !== null && keeps('banks', controller.home) ? controller.home : null,
    onPower: keptActions(controller.onPower, keeps),
  }),
  about: (about, keeps): About => ({
    ...about,
    showId: about.showId !== null && keeps('shows', about.showId) ? about.showId : null,
  }),
  parts: (part, keeps): Part => ({
    ...part,
    soundId: part.soundId !== null && keeps('sounds', part.soundId) ? part.soundId : null,
    tonight: part.tonight && {
      ...part.tonight,
      soundId:
        part.tonight.soundId !== null && keeps('sounds', part.tonight.soundId) ? part.tonight.soundId : null,
    },
  }),
  practices: (practice, keeps): Practice => ({
    ...practice,
    pairs: practice.pairs.filter(({ from, to }) => keeps('sounds', from) && keeps('sounds', to)),
  }),
  shows: (show, keeps): Show => ({ ...show, songIds: show.songIds.filter((id) => keeps('songs', id)) }),
  devices: (device, keeps): Device => ({
    ...device,
    bypass:
      device.bypass.kind === 'control' && !keeps('controls', device.bypass.controlId)
        ? { kind: 'none' }
        : device.bypass,
    rest: device.rest && { ...device.rest, values: keptValues(device.rest.values, keeps) },
    tapIn:
      device.tapIn?.place.kind === 'control' && !keeps('controls', device.tapIn.place.controlId)
        ? null
        : device.tapIn,
    looper: device.looper && {
      ...device.looper,
      inputs: device.looper.inputs.map((input) =>
        input.by?.kind === 'control' && !keeps('controls', input.by.controlId)
          ? { ...input, by: null }
          : input,
      ),
    },
  }),
  sounds: (sound, keeps): Sound => ({
    ...sound,
    cells: sound.cells.flatMap(({ deviceId, cell }) => {
      const kept = keeps('devices', deviceId) ? keptCell(cell, keeps) : null
      return kept ? [{ deviceId, cell: kept }] : []
    }),
    sending: sound.sending.filter(({ deviceId }) => keeps('devices', deviceId)),
  }),
  presets: (preset, keeps): Preset => ({
    ...preset,
    recalls: keptValues(preset.recalls, keeps),
    entered: preset.entered.filter((id) => keeps('controls', id)),
    lacks: preset.lacks.filter((id) => keeps('controls', id)),
  }),
  runs: (run, keeps): Run => ({
    ...run,
    steps: run.steps.flatMap((step): RunStep[] => {
      if (step.kind === 'power') return keeps('devices', step.deviceId) ? [step] : []
      if (step.kind === 'need') return keeps('sounds', step.soundId) ? [step] : []
      if (step.kind === 'pedal' || step.kind === 'toe') return keeps('pedals', step.pedalId) ? [step] : []
      return step.kind === 'act' ? [{ ...step, actions: keptActions(step.actions, keeps) }] : [step]
    }),
  }),
  pedals: (pedal, keeps): Pedal => {
    const roles = pedal.roles.flatMap((role) => keptRole(role, keeps))
    const { off } = pedal
    const worksStill =
      off === null ||
      (off.works.kind === 'control'
        ? keeps('controls', off.works.controlId)
        : keeps('switches', off.works.switchId))
    return {
      ...pedal,
      roles: roles.length > 0 ? roles : [{ name: '', when: { kind: 'always' }, targets: [] }],
      off: worksStill ? off : null,
    }
  },
  dumps: (dump, keeps): Dump => ({
    ...dump,
    deviceId: dump.deviceId !== null && keeps('devices', dump.deviceId) ? dump.deviceId : null,
  }),
  notes: (note, keeps): Note => ({
    ...note,
    about: note.about !== null && keeps(note.about.table, note.about.id) ? note.about : null,
  }),
  pairs: (pair, keeps): Pair => ({
    ...pair,
    a: keptValues(pair.a, keeps),
    b: keptValues(pair.b, keeps),
  }),
}

/** What is left of a role; none of one whose time can no longer come. */
function keptRole(role: PedalRole, keeps: Keeps): PedalRole[] {
  const { when } = role
  const targets = role.targets.filter(({ controlId }) => keeps('controls', controlId))
  if (when.kind === 'control' && !keeps('controls', when.controlId)) return []
  if (when.kind === 'held' && !keeps('switches', when.switchId)) return []
  if (when.kind !== 'banks') return [{ ...role, targets }]
  const bankIds = when.bankIds.filter((id) => keeps('banks', id))
  return [{ ...role, when: { ...when, bankIds }, targets }]
}

const keptActions = (actions: readonly Action[], keeps: Keeps): Action[] =>
  actions.filter((action) => actionNames(action).every(({ table, id }) => keeps(table, id)))

const keptValues = (values: readonly SetValue[], keeps: Keeps): SetValue[] =>
  values.filter(({ controlId }) => keeps('controls', controlId))

/** What is left of a cell; null when nothing is: the sound then says nothing of the device. */
function keptCell(cell: Cell, keeps: Keeps): Cell | null {
  if (cell.kind === 'pair') return keeps('pairs', cell.pairId) ? cell : null
  if (cell.kind !== 'preset' && cell.kind !== 'values') return cell
  const values = keptValues(cell.values, keeps)
  if (cell.kind === 'preset' && keeps('presets', cell.presetId)) return { ...cell, values }
  return values.length > 0 ? { kind: 'values', values } : null
}

/** Names a row across tables. */
export const rowKey = (table: TableName, id: string): string => `${table}/${id}`
