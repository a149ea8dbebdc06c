import { own } from '#core/base'
import {
  BLANK_SOUND,
  emptyRig,
  type Cell,
  type Control,
  type ControlId,
  type Preset,
  type PresetId,
  type Rig,
  type Sound,
  type SoundId,
} from '#core/rig'
import { fullRig } from './fullRig'

/** A board of 16 devices with `count` sounds over all of them, every cell filled. */
export function soundRig(count: number): Rig {
  const rig = fullRig()
  const devices = Object.values(rig.devices).filter(({ kind }) => kind === 'receiver' || kind === 'plain')
  const controls = devices.flatMap((device) =>
    Array.from({ length: 8 }, (_, n): Control => ({
      id: `${device.id}-c${n}` as ControlId,
      deviceId: device.id,
      order: n,
      name: `Control ${n}`,
      section: '',
      address: { kind: 'cc', number: (20 + n) as never },
      reading: { kind: 'range', unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: 127 },
      kind: 'fixed',
      map: 'device',
      division: null,
      source: 'maker',
      note: '',
      origin: '',
    })),
  )
  const controlsOf = (id: string) => controls.filter(({ deviceId }) => deviceId === id)
  const presets = devices.flatMap((device) =>
    Array.from({ length: Math.min(24, device.numbering.count) }, (_, index): Preset => ({
      id: `${device.id}-p${index}` as PresetId,
      deviceId: device.id,
      index,
      name: `Preset ${index}`,
      purpose: '',
      notes: '',
      level: (index % 4) + 6,
      recalls: controlsOf(device.id).map(({ id }, n) => ({
        controlId: id,
        value: (index * 7 + n * 13) % 128,
      })),
      entered: [],
      lacks: [],
      closes: [],
    })),
  )
  const cell = (deviceId: string, row: number, n: number): Cell => {
    const ours = presets.filter((preset) => preset.deviceId === deviceId)
    const [first, second] = controlsOf(deviceId)
    const set = { controlId: first!.id, value: (row * 3) % 128 }
    switch ((row + n) % 6) {
      case 0:
        return { kind: 'values', values: [set, { controlId: second!.id, value: 64 }] }
      case 1:
        return { kind: 'leave' }
      case 2:
        return { kind: 'preset', presetId: ours[row % ours.length]!.id, values: [set] }
      default:
        return { kind: 'preset', presetId: ours[(row * 5 + n) % ours.length]!.id, values: [] }
    }
  }
  const sounds = Array.from({ length: count }, (_, row): Sound => ({
    ...BLANK_SOUND,
    id: `sound-${row}` as SoundId,
    order: row,
    name: `Sound ${row + 1}`,
    purpose: row % 5 === 0 ? 'lead' : 'rhythm',
    cells: devices.map(({ id, kind }, n) => ({
      deviceId: id,
      cell: kind === 'plain' ? { kind: 'foot', does: '' } : cell(id, row, n),
    })),
  }))
  const byId = <Row extends { readonly id: string }>(rows: readonly Row[]) =>
    Object.fromEntries(rows.map((row) => [row.id, row]))
  return {
    ...emptyRig('Two hundred sounds'),
    ...rig,
    about: emptyRig('Two hundred sounds').about,
    controls: byId(controls),
    presets: byId(presets),
    sounds: byId(sounds),
  }
}

/** The rig with one cell of one sound another: what an edit leaves. */
export function withCellEdited(rig: Rig, turn: number): Rig {
  const sound = own(rig.sounds, `sound-${turn % Object.keys(rig.sounds).length}`)!
  const [first, ...others] = sound.cells
  const cell: Cell = { kind: 'off' }
  const cells = [{ ...first!, cell: turn % 2 ? cell : { kind: 'leave' as const } }, ...others]
  return { ...rig, sounds: { ...rig.sounds, [sound.id]: { ...sound, cells } } }
}
