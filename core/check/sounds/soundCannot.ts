import { own } from '#core/base'
import type { Rig } from '#core/rig'
import type { Doubt } from '#core/sound'
import { aboutCell, soundCells, type SoundCell } from './soundCells'
import type { FindingOf } from '../finding'

interface Facts {
  readonly sound: string
  readonly device: string
  readonly why: Doubt['code']
  /** The control it is about, where it is about one. */
  readonly control: string
}

export type SoundCannot = FindingOf<'soundCannot', Facts>
export type SoundDoubt = FindingOf<'soundDoubt', Facts>

const factsOf = (rig: Rig, { sound, device }: SoundCell, doubt: Doubt): Facts => ({
  sound: sound.name,
  device: device.name,
  why: doubt.code,
  control: 'controlId' in doubt ? (own(rig.controls, doubt.controlId)?.name ?? '') : '',
})

/** A cell that cannot be done at all: nothing is sent for it. Said of the sound that says it, not of its variants. */
export const soundCannot = (rig: Rig): SoundCannot[] =>
  soundCells(rig).flatMap((cell): SoundCannot[] =>
    cell.isOwn && cell.want.kind === 'cannot'
      ? [
          {
            code: 'soundCannot',
            severity: 'error',
            about: aboutCell(cell.sound, cell.device.id),
            facts: factsOf(rig, cell, cell.want.doubt),
          },
        ]
      : [],
  )

/** A cell of which a part is not sure to come true. */
export const soundDoubt = (rig: Rig): SoundDoubt[] =>
  soundCells(rig).flatMap((cell): SoundDoubt[] =>
    cell.isOwn && cell.want.kind === 'be'
      ? cell.want.doubts.map((doubt) => ({
          code: 'soundDoubt',
          severity: 'warning',
          about: aboutCell(cell.sound, cell.device.id),
          facts: factsOf(rig, cell, doubt),
        }))
      : [],
  )
