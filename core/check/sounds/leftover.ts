import { own } from '#core/base'
import { change, type Change, type Edit, type Rig, type Device, type Cell, type Sound } from '#core/rig'
import {
  deviceBetween,
  leavesAsFound,
  leftoverText,
  mayBeLeft,
  seen,
  type Leftover as Left,
  setText,
  type Want,
} from '#core/sound'
import { soundCells, type SoundCell } from './soundCells'
import type { FindingOf } from '../finding'

export type Leftover = FindingOf<
  'leftover',
  {
    readonly device: string
    /** What stays, as the device shows it: "Mix 35 %". */
    readonly what: string
    /** The sounds that set it, and those that speak of the device and leave it as it is. */
    readonly by: readonly string[]
    readonly left: readonly string[]
    /** What the fix puts into those. */
    readonly cure: string
  }
>

export type ForgottenDevice = FindingOf<
  'forgottenDevice',
  {
    readonly device: string
    readonly what: string
    readonly by: readonly string[]
    readonly forgot: readonly string[]
    readonly cure: 'off' | 'rest' | 'leave'
  }
>

/** Sounds that want one and the same of a device. */
interface Group {
  readonly want: Want
  readonly cells: SoundCell[]
}

/** The devices of sounds, each with the different things wanted of it: few, however many sounds there are. */
function groupsOf(rig: Rig): ReadonlyMap<Device, readonly Group[]> {
  const all = new Map<Device, Map<Want, Group>>()
  for (const cell of soundCells(rig)) {
    let groups = all.get(cell.device)
    if (!groups) all.set(cell.device, (groups = new Map()))
    const group = groups.get(cell.want)
    if (group) group.cells.push(cell)
    else groups.set(cell.want, { want: cell.want, cells: [cell] })
  }
  return new Map([...all].map(([device, groups]) => [device, [...groups.values()]]))
}

const names = (cells: readonly SoundCell[]): string[] => [...new Set(cells.map(({ sound }) => sound.name))]

/** A control or contact some sound sets, and others that speak of the device neither set nor recall. */
export function leftover(rig: Rig): Leftover[] {
  return [...groupsOf(rig)].flatMap(([device, groups]) => {
    const found = new Map<string, { left: Left; by: SoundCell[]; at: SoundCell[] }>()
    const all = groups.map((group) => ({ ...group, seen: seen(rig, device, group.want) }))
    for (const from of all)
      for (const left of mayBeLeft(from.seen)) {
        const one = found.get(keyOf(left)) ?? { left, by: [], at: [] }
        found.set(keyOf(left), one)
        one.by.push(...from.cells)
      }
    // What may be left does not depend on who leaves it: each is held against each once, and not pair by pair. A sound that does
    // not speak of the device is told of by `forgottenDevice`.
    for (const one of found.values())
      for (const to of all)
        if (to.want.kind === 'be' && leavesAsFound(to.seen, one.left)) one.at.push(...to.cells)
    const ours = [...found.values()].filter(({ at }) => at.length > 0)
    return ours.map(({ left, by, at: cells }): Leftover => {
      const cure = cureOf(rig, device, left)
      const edit = cure && cureAll(cells, device, cure.change)
      return {
        code: 'leftover',
        severity: 'warning',
        about: { table: 'sounds', id: cells[0]!.sound.id, field: `cells.${device.id}` },
        facts: {
          device: device.name,
          what: leftoverText(rig, device, left),
          by: names(by),
          left: names(cells),
          cure: cure?.text ?? '',
        },
        ...(edit && { fix: edit }),
      }
    })
  })
}

const keyOf = (left: Left): string =>
  left.kind === 'control'
    ? `control ${left.controlId}`
    : left.kind === 'contact'
      ? `contact ${left.contactId}`
      : `preset ${left.index}`

/** How a cell is put right: the control at its rest where one is known, at 0 where it only turns on and off. */
function cureOf(
  rig: Rig,
  device: Device,
  left: Left,
): { readonly text: string; readonly change: (cell: Cell) => Cell | null } | null {
  if (left.kind !== 'control') return null
  const control = own(rig.controls, left.controlId)
  const rest = device.rest?.values.find(({ controlId }) => controlId === left.controlId)
  const value = rest?.value ?? (control?.reading.kind === 'switch' ? 0 : null)
  if (value === null || value === left.value) return null
  const set = { controlId: left.controlId, value }
  return {
    text: setText(rig, device, set),
    change: (cell) =>
      cell.kind === 'values' || cell.kind === 'preset' ? { ...cell, values: [...cell.values, set] } : null,
  }
}

/** One edit over the sounds that say the cells themselves. */
function cureAll(
  cells: readonly SoundCell[],
  device: Device,
  mended: (cell: Cell) => Cell | null,
): Edit | null {
  const changes = [...new Set(cells.filter(({ isOwn }) => isOwn).map(({ sound }) => sound))].flatMap(
    (sound): Change[] => {
      const after = sound.cells.map((said) => {
        const cell = said.deviceId === device.id ? mended(said.cell) : null
        return cell ? { ...said, cell } : said
      })
      return after.some((said, n) => said !== sound.cells[n])
        ? [change('sounds', sound.id, sound, { ...sound, cells: after })]
        : []
    },
  )
  return changes.length > 0 ? { label: 'setCell', changes } : null
}

/** A device some sounds turn to something, and others do not speak of at all. */
export function forgottenDevice(rig: Rig): ForgottenDevice[] {
  return [...groupsOf(rig)].flatMap(([device, groups]): ForgottenDevice[] => {
    const forgotten = groups
      .filter(({ want }) => want.kind === 'leave' && !want.isSaid)
      .flatMap(({ cells }) => cells)
    const by = groups.filter(
      ({ want }) =>
        forgotten.length > 0 && deviceBetween(rig, device, want, forgotten[0]!.want).leftovers.length > 0,
    )
    if (by.length === 0) return []
    const [left] = deviceBetween(rig, device, by[0]!.want, forgotten[0]!.want).leftovers
    // Of one that stays off, off is not what was forgotten.
    const isOff = seen(rig, device, by[0]!.want).traits?.isOff === true
    const cure = device.bypass.kind !== 'none' && !isOff ? 'off' : device.rest ? 'rest' : 'leave'
    // A variant follows: where its parent is mended too, it need not be.
    const ids = new Set<string>(forgotten.map(({ sound }) => sound.id))
    const heads = forgotten.map(({ sound }) => sound).filter(({ parentId }) => !ids.has(parentId ?? ''))
    const fix: Edit = {
      label: 'setCell',
      changes: heads.map((sound: Sound) =>
        change('sounds', sound.id, sound, {
          ...sound,
          cells: [...sound.cells, { deviceId: device.id, cell: { kind: cure } }],
        }),
      ),
    }
    return [
      {
        code: 'forgottenDevice',
        severity: 'warning',
        about: { table: 'sounds', id: forgotten[0]!.sound.id, field: `cells.${device.id}` },
        facts: {
          device: device.name,
          what: leftoverText(rig, device, left!),
          by: names(by.flatMap(({ cells }) => cells)),
          forgot: names(forgotten),
          cure,
        },
        fix,
      },
    ]
  })
}
