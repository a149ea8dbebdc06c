import { actionNames, type Action } from './table/action'
import type { SetValue } from './table/setValue'
import type { Cell } from './table/sound'
import type { PedalRole } from './table/pedal'
import { actionLists } from './table/switch'
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

/** Names a row across tables. */
export const rowKey = (table: TableName, id: string): string => `${table}/${id}`
