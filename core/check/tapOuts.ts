import { own } from '../base/own'
import { putActions } from '../rig/edits/actionList'
import { perTables } from '../rig/perTables'
import { byIndex, inOrder, type Rig } from '../rig/rig'
import type { Action } from '../rig/table/action'
import { songTempo, type Song } from '../rig/table/song'
import type { Device } from '../rig/table/device'
import { canTapOut } from '../switching/action/tapOut'
import { askedOfBank, askedOfList, askedOfSwitch } from '../switching/askedOf'
import { tapsOut, type TapOutRefusal } from '../tempo/tapOut'
import type { FindingOf } from './finding'

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

const tapsTo = (rig: Rig, actions: readonly Action[]): readonly string[] => askedOfList(rig, actions).tapsOut

/** Devices that some switch or bank taps a tempo out to. */
const tappedOut = perTables(
  ['devices', 'controllers', 'banks', 'switches', 'macros'],
  (rig: Rig): Device[] => {
    const asked = new Set([
      ...Object.values(rig.switches).flatMap((one) => askedOfSwitch(rig, one).tapsOut),
      ...Object.values(rig.banks).flatMap((bank) => askedOfBank(rig, bank).tapsOut),
      ...Object.values(rig.controllers).flatMap(({ onPower }) => tapsTo(rig, onPower)),
    ])
    return inOrder(rig.devices).filter(({ id }) => asked.has(id))
  },
)

/** The tempi a rig stores, by what has them. */
const storedTempi = (rig: Rig): { readonly of: string; readonly bpm: number }[] => [
  ...inOrder(rig.songs).flatMap((song) => {
    const bpm = songTempo(song)
    return bpm === null ? [] : [{ of: song.name, bpm }]
  }),
  ...inOrder(rig.sounds).flatMap(({ name, tempo }) => (tempo === null ? [] : [{ of: name, bpm: tempo }])),
]

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
    return storedTempi(rig).flatMap(({ of, bpm }) => {
      const out = tapsOut(tapIn, bpm)
      return out.ok ? [] : [finding({ of, bpm, why: out.refusal })]
    })
  })

/** The first bank of a song that taps its tempo out. */
const banksOf = (rig: Rig, song: Song) => byIndex(rig.banks).filter(({ songId }) => songId === song.id)

/** The taps are not done when the song begins. */
export const tapOutLate = (rig: Rig): TapOutLate[] =>
  inOrder(rig.songs).flatMap((song): TapOutLate[] => {
    const bpm = songTempo(song)
    const { countIn } = song
    if (bpm === null || countIn === null) return []
    const devices = new Set(banksOf(rig, song).flatMap(({ enter }) => tapsTo(rig, enter)))
    return [...devices].flatMap((id): TapOutLate[] => {
      const device = own(rig.devices, id)
      const out = device?.tapIn && tapsOut(device.tapIn, bpm)
      if (!device || !out?.ok) return []
      const beats = device.tapIn!.taps - 1
      return beats <= countIn
        ? []
        : [
            {
              code: 'tapOutLate',
              severity: 'warning',
              about: { table: 'songs', id: song.id },
              facts: {
                song: song.name,
                device: device.name,
                beats,
                countIn,
                ms: out.value.rightAfter / 1000,
              },
            },
          ]
    })
  })

/** A song with a tempo in whose banks nobody taps it out to a device that is told so elsewhere: it stays at the last one's. */
export const tapOutMissing = (rig: Rig): TapOutMissing[] => {
  const devices = tappedOut(rig).filter((device) => canTapOut(rig, device))
  return inOrder(rig.songs).flatMap((song): TapOutMissing[] => {
    const banks = banksOf(rig, song)
    const [first] = banks
    if (songTempo(song) === null || !first) return []
    return devices.flatMap((device): TapOutMissing[] => {
      const isTold = banks.some(({ enter }) => tapsTo(rig, enter).includes(device.id))
      if (isTold) return []
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
