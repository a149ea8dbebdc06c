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
import type { Footswitch } from './table/switch'
import type { TableName, Tables } from './rig'
import { referencesOf, rowKey } from './references'

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
