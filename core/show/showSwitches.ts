import { own, cutText } from '#core/base'
import {
  type Edit,
  putSwitch,
  switchAt,
  byIndex,
  type Rig,
  isAt,
  partsOf,
  showPlace,
  showTarget,
  type PlayedPart,
  type ShowMove,
  type ShowPlace,
  type Action,
  switchesHere,
  type BankId,
  switchCount,
  partSound,
  type SongId,
  actionLists,
  type Footswitch,
  type Layer,
  type SwitchId,
} from '#core/rig'
import { expanded, showGo, bankMap } from '#core/switching'
import { freeNumbersOf } from './showEdits'
import { showController } from './travel'

/** A switch that steps in the list of the show, and how the foot does it. */
export interface ShowSwitch {
  readonly footswitch: Footswitch
  readonly how: 'press' | 'release' | 'long' | 'double'
}

const HOW: { readonly [list: string]: ShowSwitch['how'] } = {
  positions: 'press',
  release: 'release',
  longPress: 'long',
  doublePress: 'double',
}

/** The first switch, in the order of banks, that makes a step in the show; null where none does. */
export function showSwitch(rig: Rig, to: ShowMove, songId: SongId | null = null): ShowSwitch | null {
  const place = ({ bankId, layer, number }: Footswitch) =>
    (own(rig.banks, bankId)?.index ?? 0) * 1000 + (layer === 'shift' ? 500 : 0) + number
  const all = Object.values(rig.switches).sort((a, b) => place(a) - place(b))
  for (const footswitch of all)
    for (const { path, actions } of actionLists(footswitch))
      for (const { action } of expanded(rig, actions)) {
        const go = showGo(action)
        if (go?.to === to && go.songId === songId) return { footswitch, how: HOW[path[0]!]! }
      }
  return null
}

/** A place of the show's controller on one layer, and in how many of its banks nothing stands there. */
interface FreePlace {
  readonly layer: Layer
  readonly number: number
  readonly banks: readonly BankId[]
}

/** Where a switch for every bank would stand in most of those the foot comes to; null where no place is free in any. */
function freeEverywhere(rig: Rig): FreePlace | null {
  const controller = showController(rig)
  if (!controller) return null
  const banks = byIndex(rig.banks).filter(({ controllerId }) => controllerId === controller.id)
  const map = bankMap(rig, controller.id)
  const comesTo = new Set(
    (map?.spots ?? []).flatMap(({ bank, layer }, n) =>
      map!.presses[map!.home]![n]! < Infinity ? [`${bank.id}/${layer}`] : [],
    ),
  )
  const layers: readonly Layer[] = controller.hasShift ? ['base', 'shift'] : ['base']
  const places = layers.flatMap((layer) =>
    Array.from({ length: switchCount(controller) - controller.keepsSwitches }, (_, n): FreePlace => ({
      layer,
      number: n + 1,
      banks: banks.flatMap(({ id }) =>
        comesTo.has(`${id}/${layer}`) && !switchesHere(rig, id, layer).has(`/${n + 1}`) ? [id] : [],
      ),
    })),
  )
  return places.reduce<FreePlace | null>(
    (best, one) => (one.banks.length > (best?.banks.length ?? 0) ? one : best),
    null,
  )
}

/**
 * A step in the show put on a free switch, in every bank that says nothing else of its place: where most banks have it free.
 * `label` is cut to what the controller shows. Null where no place is free.
 */
export function placeShowStep(
  rig: Rig,
  to: ShowMove,
  songId: SongId | null,
  label: string,
  newId: SwitchId,
): Edit | null {
  const place = freeEverywhere(rig)
  if (!place) return null
  const { layer, number, banks } = place
  const blank = switchAt(rig, { bankId: banks[0]!, number, layer, newId })
  return {
    label: 'placeShowStep',
    changes: [
      putSwitch(rig, {
        ...blank,
        label: cutText(label, showController(rig)?.labelLength ?? 60),
        everywhere: true,
        positions: [[{ kind: 'showStep', to, songId }]],
      }),
    ],
  }
}

/**
 * Steps in the list of the show from one place to a part, as switches could make them: to its song, and on in it. Of a song
 * that comes twice it is this time that is come to.
 */
export function stepsToPart(rig: Rig, from: ShowPlace | null, part: PlayedPart): Action[] {
  const steps: Action[] = []
  let at = from
  const go = (to: ShowMove, songId: SongId | null = null): boolean => {
    const target = showTarget(rig, at, to, songId)
    if (!target) return false
    steps.push({ kind: 'showStep', to, songId })
    at = showPlace(target)
    return true
  }
  // Straight to the song where that is this time of it, else song by song.
  if (showTarget(rig, at, 'song', part.song.id)?.nth === part.nth) go('song', part.song.id)
  else if (at === null || at.nth < part.nth) while ((at?.nth ?? -1) < part.nth && go('nextSong')) continue
  else while (at.nth > part.nth && go('previousSong')) continue
  while (!isAt(part, at) && go('nextPart')) continue
  return steps
}

/** What one switch can go through, one a press. */
const POSITIONS_MAX = 16

/**
 * The parts of a song one after the other on one switch of a bank, for a controller that keeps no list of the show. A part
 * with the sound of the one before has its step too, so that the foot counts parts. Null where the bank has no switch free,
 * or the song fewer than two parts with a sound, or more than a switch has positions.
 */
export function placeSongSwitch(
  rig: Rig,
  bankId: BankId,
  songId: SongId,
  label: string,
  newId: SwitchId,
): Edit | null {
  const [number] = freeNumbersOf(rig, bankId)
  const sounds = partsOf(rig, songId).flatMap((part) => (part.tonight?.isOut ? [] : (partSound(part) ?? [])))
  if (number === undefined || sounds.length < 2 || sounds.length > POSITIONS_MAX) return null
  const controller = own(rig.controllers, own(rig.banks, bankId)?.controllerId ?? '')
  const blank = switchAt(rig, { bankId, number, newId })
  return {
    label: 'placeShowStep',
    changes: [
      putSwitch(rig, {
        ...blank,
        label: cutText(label, controller?.labelLength ?? 60),
        positions: sounds.map((soundId) => [{ kind: 'recallSound', soundId }]),
      }),
    ],
  }
}
