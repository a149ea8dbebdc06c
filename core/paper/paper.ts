import { own } from '#core/base'
import {
  byIndex,
  inOrder,
  type Rig,
  aheadMs,
  partMs,
  showOn,
  type PlayedPart,
  switchesHere,
  type Bank,
  type Controller,
  isProgrammed,
  LAYERS,
  type Footswitch,
  type Layer,
} from '#core/rig'
import { wantsOf, switchName } from '#core/sound'
import { type FootMove, showController, waysOfShow, type Unplayed } from '#core/show'

/** One label of a strip. */
export interface StripLabel {
  readonly number: number
  /** Empty where nothing stands. */
  readonly name: string
  /** From the left end of the strip to the middle of the switch, in mm. */
  readonly middleMm: number
}

/** A strip of tape for one row of switches of a bank, to the controller's spacing; never longer than asked. */
export interface Strip {
  readonly bank: Bank
  /** As the controller shows it. */
  readonly shown: number
  readonly layer: Layer
  /** From the near one, from 1. */
  readonly row: number
  /** Which of how many pieces the row was cut into. */
  readonly piece: number
  readonly pieces: number
  readonly widthMm: number
  readonly labels: readonly StripLabel[]
}

/**
 * Strips for all rows of all banks in which something stands: of the shift layer only what belongs to the bank itself. Rows
 * longer than `mostMm` are cut between switches. Of the controller the show is played on.
 */
export function stripsOf(rig: Rig, mostMm: number): Strip[] {
  const controller = showController(rig)
  if (!controller) return []
  const { rows, columns, columnMm, firstBank } = controller
  const perPiece = Math.max(1, Math.floor(mostMm / columnMm))
  const pieces = Math.ceil(columns / perPiece)
  return byIndex(rig.banks)
    .filter(({ controllerId }) => controllerId === controller.id)
    .flatMap((bank) =>
      LAYERS.flatMap((layer) =>
        Array.from({ length: rows }, (_, row) => row).flatMap((row) => {
          const names = namesOf(rig, controller, bank, layer, row)
          if (names.every((name) => name === '')) return []
          return Array.from({ length: pieces }, (_, piece): Strip => {
            const ours = names.slice(piece * perPiece, (piece + 1) * perPiece)
            return {
              bank,
              shown: bank.index + firstBank,
              layer,
              row: row + 1,
              piece: piece + 1,
              pieces,
              widthMm: ours.length * columnMm,
              labels: ours.map((name, n) => ({
                number: row * columns + piece * perPiece + n + 1,
                name,
                middleMm: (n + 0.5) * columnMm,
              })),
            }
          })
        }),
      ),
    )
}

/**
 * What stands in each place of the controller's own in a bank and layer, on paper; of the shift layer only what belongs to the
 * bank itself.
 */
export function standing(rig: Rig, bank: Bank, layer: Layer): ReadonlyMap<number, Footswitch> {
  const ours = [...switchesHere(rig, bank.id, layer).values()].filter(
    (one) =>
      one.jack === '' &&
      isProgrammed(one) &&
      one.layer === layer &&
      (layer === 'base' || one.bankId === bank.id),
  )
  return new Map(ours.map((one) => [one.number, one]))
}

function namesOf(rig: Rig, controller: Controller, bank: Bank, layer: Layer, row: number): string[] {
  const here = standing(rig, bank, layer)
  return Array.from({ length: controller.columns }, (_, column) => {
    const one = here.get(row * controller.columns + column + 1)
    return one ? switchName(rig, one, { labelLength: null }) : ''
  })
}

/** One line of a set sheet. */
export interface SheetLine {
  readonly played: PlayedPart
  /** Empty while it names none. */
  readonly sound: string
  /** What the foot steps on for it, one after the other, and how often the last one. */
  readonly moves: readonly FootMove[]
  readonly lastPresses: number
  /** It keeps the sound: nothing is stepped on. */
  readonly stays: boolean
  readonly why: Unplayed | null
  /** How long it lasts and the rest before it, in ms; null where that is not known. */
  readonly lastsMs: number | null
  readonly aheadMs: number | null
  /** What the hand or foot does on a device itself. */
  readonly byHand: readonly { readonly device: string; readonly does: string }[]
}

/** The show that is on, part by part, as it is played tonight. */
export function setSheet(rig: Rig): SheetLine[] {
  const show = showOn(rig)
  if (!show) return []
  return waysOfShow(rig, show).map(({ played, route, inTime, why }): SheetLine => {
    const sound = own(rig.sounds, played.soundId ?? '')
    return {
      played,
      sound: sound?.name ?? '',
      moves: route?.moves ?? [],
      lastPresses: route?.lastPresses ?? 0,
      stays: inTime === 'stays',
      why,
      lastsMs: partMs(played.part, played.song),
      aheadMs: aheadMs(played.part, played.song, played.isFirstOfSong),
      byHand: sound
        ? inOrder(rig.devices).flatMap(({ id, name }) => {
            const want = wantsOf(rig, sound).get(id)
            return want?.kind === 'foot' ? [{ device: name, does: want.does }] : []
          })
        : [],
    }
  })
}
