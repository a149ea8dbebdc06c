import { putActions, storedTempi, perTables, inOrder, type Rig, type Device } from '#core/rig'
import {
  canTapOut,
  askedOfBank,
  askedOfList,
  askedOfSwitch,
  banksOfSong,
  tapOutVerdict,
} from '#core/switching'
import { tapsOut, type TapOutRefusal } from '#core/tempo'
import type { FindingOf } from '../finding'

export type TapOutCannot = FindingOf<
  'tapOutCannot',
  {
    readonly device: string
    /** What has the tempo; empty where the taps reach the device at no tempo. */
    readonly of: string
    readonly bpm: number | null
    readonly why: TapOutRefusal | { readonly code: 'noWay' }
  }
>

export type TapOutLate = FindingOf<
  'tapOutLate',
  {
    readonly song: string
    readonly device: string
    readonly beats: number
    readonly countIn: number
    readonly ms: number
  }
>

export type TapOutMissing = FindingOf<
  'tapOutMissing',
  { readonly song: string; readonly device: string; readonly bank: string }
>

/** Devices that some switch or bank taps a tempo out to. */
const tappedOut = perTables(
  ['devices', 'controllers', 'banks', 'switches', 'macros'],
  (rig: Rig): Device[] => {
    const asked = new Set([
      ...Object.values(rig.switches).flatMap((one) => askedOfSwitch(rig, one).tapsOut),
      ...Object.values(rig.banks).flatMap((bank) => askedOfBank(rig, bank).tapsOut),
      ...Object.values(rig.controllers).flatMap(({ onPower }) => askedOfList(rig, onPower).tapsOut),
    ])
    return inOrder(rig.devices).filter(({ id }) => asked.has(id))
  },
)

/** A tempo that cannot be tapped to a device it is tapped out to: no way to its jack, or beyond what it takes. */
export const tapOutCannot = (rig: Rig): TapOutCannot[] =>
  tappedOut(rig).flatMap((device): TapOutCannot[] => {
    const finding = (facts: Omit<TapOutCannot['facts'], 'device'>): TapOutCannot => ({
      code: 'tapOutCannot',
      severity: 'error',
      about: { table: 'devices', id: device.id },
      facts: { device: device.name, ...facts },
    })
    const { tapIn } = device
    if (tapIn === null || !canTapOut(rig, device))
      return [finding({ of: '', bpm: null, why: { code: 'noWay' } })]
    return storedTempi(rig).flatMap(({ name: of, bpm }) => {
      const out = tapsOut(tapIn, bpm)
      return out.ok ? [] : [finding({ of, bpm, why: out.refusal })]
    })
  })

/** The taps are not done when the song begins. */
export const tapOutLate = (rig: Rig): TapOutLate[] =>
  inOrder(rig.songs).flatMap((song): TapOutLate[] =>
    tappedOut(rig).flatMap((device): TapOutLate[] => {
      const verdict = tapOutVerdict(rig, song, device)
      if (verdict?.kind !== 'late' || song.countIn === null) return []
      const { beats, rightMs: ms } = verdict
      return [
        {
          code: 'tapOutLate',
          severity: 'warning',
          about: { table: 'songs', id: song.id },
          facts: { song: song.name, device: device.name, beats, countIn: song.countIn, ms },
        },
      ]
    }),
  )

/** A song with a tempo in whose banks nobody taps it out to a device that is told so elsewhere: it stays at the last one's. */
export const tapOutMissing = (rig: Rig): TapOutMissing[] => {
  const devices = tappedOut(rig).filter((device) => canTapOut(rig, device))
  return inOrder(rig.songs).flatMap((song): TapOutMissing[] => {
    const [first] = banksOfSong(rig, song)
    if (!first) return []
    return devices.flatMap((device): TapOutMissing[] => {
      if (tapOutVerdict(rig, song, device)?.kind !== 'notTold') return []
      const place = { of: 'bank', bankId: first.id, when: 'enter' } as const
      const fix = putActions(rig, place, 'addAction', [
        ...first.enter,
        { kind: 'tapOut', deviceId: device.id },
      ])
      return [
        {
          code: 'tapOutMissing',
          severity: 'hint',
          about: { table: 'songs', id: song.id },
          facts: { song: song.name, device: device.name, bank: first.name },
          ...(fix && { fix }),
        },
      ]
    })
  })
}
