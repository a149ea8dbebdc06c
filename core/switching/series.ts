import { own } from '#core/base'
import {
  change,
  type Change,
  type Edit,
  putSwitch,
  switchAt,
  type SwitchSlot,
  findPreset,
  type Rig,
  namedIn,
  naming,
  type Action,
  BLANK_PRESET,
  type Preset,
  type PresetId,
  type Footswitch,
} from '#core/rig'
import { actionFurther } from './action'
import type { Along, Series } from './action/actionDoes'

interface Made {
  readonly actions: readonly Action[]
  readonly presets: readonly Preset[]
}

/** The actions of the `n`th copy; null where the series ends before. Presets without a row yet are made. */
function nth(
  rig: Rig,
  actions: readonly Action[],
  series: Series,
  n: number,
  newId: (n: number) => PresetId,
): Made | null {
  const presets: Preset[] = []
  const after: Action[] = []
  for (const action of actions) {
    const preset = (deviceId: Preset['deviceId'], index: number) => {
      const stored = findPreset(rig, deviceId, index)
      if (stored) return stored.id
      const row: Preset = { ...BLANK_PRESET, id: newId(presets.length), deviceId, index }
      presets.push(row)
      return row.id
    }
    const next = further(rig, action, { series, n, preset })
    if (!next) return null
    after.push(next)
  }
  return { actions: after, presets }
}

/** An action moved on in a series; the same where the series does not touch it; null beyond the end. */
function further(rig: Rig, action: Action, along: Along): Action | null {
  const { series, n } = along
  if (series !== 'controller' || !('controlId' in action) || action.controlId === null)
    return actionFurther(rig, action, along)
  const control = own(rig.controls, action.controlId)
  if (control?.address.kind !== 'cc') return null
  const { number } = control.address
  const next = Object.values(rig.controls).find(
    ({ deviceId, address }) =>
      deviceId === control.deviceId && address.kind === 'cc' && address.number === number + n,
  )
  return next ? naming(action, 'controls', next.id) : null
}

/** One copy of a series, as it would be made. */
export interface SeriesCopy {
  readonly slot: SwitchSlot
  readonly after: Footswitch
  /** What stands there now; null for nothing. */
  readonly over: Footswitch | null
}

/** A switch copied onto others, each a step further; it stops where the series ends. */
export interface SeriesPlan {
  readonly copies: readonly SeriesCopy[]
  /** How many of the slots were not reached. */
  readonly missing: number
  readonly edit: Edit | null
}

/** Plans copies of a switch onto slots, in their order. `newPresetId` names presets that have no row yet. */
export function copySeries(
  rig: Rig,
  source: Footswitch,
  slots: readonly SwitchSlot[],
  series: Series,
  newPresetId: () => PresetId,
): SeriesPlan {
  const copies: SeriesCopy[] = []
  const made = new Map<string, Preset>()
  for (const [n, slot] of slots.entries()) {
    const lists = everyList(rig, source, series, n + 1, newPresetId, made)
    if (!lists) break
    const target = switchAt(rig, slot)
    const { id, bankId, number, jack, layer, everywhere } = target
    const label = series === 'same' ? source.label : ''
    const after = { ...source, ...lists, id, bankId, number, jack, layer, everywhere, label }
    copies.push({ slot, after, over: own(rig.switches, target.id) ?? null })
  }
  const presets = [...made.values()].map((row): Change => change('presets', row.id, null, row))
  return {
    copies,
    missing: slots.length - copies.length,
    edit:
      copies.length === 0
        ? null
        : { label: 'copySeries', changes: [...presets, ...copies.map(({ after }) => putSwitch(rig, after))] },
  }
}

function everyList(
  rig: Rig,
  source: Footswitch,
  series: Series,
  n: number,
  newPresetId: () => PresetId,
  made: Map<string, Preset>,
): Pick<Footswitch, 'positions' | 'release' | 'longPress' | 'doublePress'> | null {
  const of = (actions: readonly Action[]): Action[] | null => {
    const one = nth(rig, actions, series, n, newPresetId)
    if (!one) return null
    // Two copies, or two lists, that want one preset that has no row share the one made first.
    const ids = new Map<string, PresetId>()
    for (const preset of one.presets) {
      const key = `${preset.deviceId}/${preset.index}`
      const known = made.get(key)
      if (!known) made.set(key, preset)
      ids.set(preset.id, known?.id ?? preset.id)
    }
    return one.actions.map((action) => {
      const id = ids.get(namedIn(action, 'presets') ?? '')
      return id === undefined ? action : naming(action, 'presets', id)
    })
  }
  const positions = source.positions.map(of)
  const [release, longPress, doublePress] = [source.release, source.longPress, source.doublePress].map(of)
  if (positions.some((one) => one === null) || !release || !longPress || !doublePress) return null
  return { positions: positions as Action[][], release, longPress, doublePress }
}
