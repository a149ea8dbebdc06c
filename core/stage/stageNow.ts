import * as z from 'zod/mini'
import { own } from '#core/base'
import { liveRole } from '#core/pedal'
import {
  type Rig,
  isAt,
  placeKept,
  playedParts,
  showOn,
  showPlace,
  type ShowPlace,
  placeKey,
  switchesHere,
  idSchema,
  type SoundId,
  isProgrammed,
  LAMP_LIGHTS,
  LAYERS,
  type SwitchId,
} from '#core/rig'
import type { FloorState } from '#core/simulate'
import { type Known, lampNow, tempoNow } from '#core/switching'

const showPlaceSchema = z.strictObject({
  nth: z.int().check(z.gte(0), z.lte(300)),
  songId: idSchema<'song'>(),
  partId: idSchema<'part'>(),
})

/** What of a floor is shown on stage: no bytes, no values, nothing that could change a rig. */
export const stageNowSchema = z.strictObject({
  bankId: z.nullable(idSchema<'bank'>()),
  layer: z.literal(LAYERS),
  soundId: z.nullable(idSchema<'sound'>()),
  /** The switch stepped on last. */
  switchId: z.nullable(idSchema<'switch'>()),
  showAt: z.nullable(showPlaceSchema),
  /** Beats a minute; null while nobody said. */
  bpm: z.nullable(z.number().check(z.gte(1), z.lte(1000))),
  /** Lamps under the foot that are not off, by place. */
  lamps: z.record(z.string().check(z.maxLength(40)), z.literal(LAMP_LIGHTS)),
  /** The role each pedal is in, from 0; pedals that lead nothing are left out. */
  roles: z.record(z.string().check(z.maxLength(40)), z.int().check(z.gte(0), z.lte(64))),
  /** Places a foot is on. */
  down: z.array(z.string().check(z.maxLength(40))).check(z.maxLength(20)),
  /** The position the next press of a switch does, from 0, where that is not its first; a floor of an earlier version says none. */
  next: z._default(z.record(z.string().check(z.maxLength(40)), z.int().check(z.gte(0), z.lte(64))), {}),
})

/** What is shown on stage now, as it is sent to followers. */
export type StageNow = Readonly<z.infer<typeof stageNowSchema>>

/** What a floor shows on stage. `showAt` is where the show is: {@link showAfter}; `switchId` what was stepped on last. */
export function stageNow(
  rig: Rig,
  { known, feet }: Pick<FloorState, 'known' | 'feet'>,
  showAt: ShowPlace | null,
  switchId: SwitchId | null,
): StageNow {
  const here = known.bankId === null ? [] : [...switchesHere(rig, known.bankId, known.layer).values()]
  const isHeld = (switchId: string) => own(feet, switchId)?.isDown === true
  const { bpm, from } = tempoNow(known)
  return {
    bankId: known.bankId,
    layer: known.layer,
    soundId: known.sound,
    switchId,
    showAt,
    bpm: from === null ? null : bpm,
    lamps: Object.fromEntries(
      here.flatMap((one) => {
        const { light } = lampNow(rig, one, known)
        return isProgrammed(one) && light !== 'off' ? [[placeKey(one), light]] : []
      }),
    ),
    roles: Object.fromEntries(
      Object.values(rig.pedals).flatMap((pedal) => {
        const role = liveRole(rig, pedal, { known, isHeld })
        return role === null ? [] : [[pedal.id, role]]
      }),
    ),
    down: here.flatMap((one) => (isHeld(one.id) ? [placeKey(one)] : [])).slice(0, 20),
    next: Object.fromEntries(Object.entries(known.next).filter(([, position]) => position > 0)),
  }
}

/**
 * Where the show is after something was done: where the controller's own list went, or else at the part that plays the
 * sound stepped on: the one announced, which is the next in the show that sounds otherwise, else the next one of the song, else one of the song
 * again, else the next in the show. A sound that no part plays leaves it where it was.
 */
export function showAfter(
  rig: Rig,
  at: ShowPlace | null,
  before: Pick<Known, 'showAt' | 'sound'>,
  after: Pick<Known, 'showAt' | 'sound'>,
): ShowPlace | null {
  if (after.showAt !== null && after.showAt !== before.showAt) return after.showAt
  const kept = placeKept(rig, at)
  return after.sound === null || after.sound === before.sound ? kept : partPlaying(rig, kept, after.sound)
}

function partPlaying(rig: Rig, at: ShowPlace | null, soundId: SoundId): ShowPlace | null {
  const show = showOn(rig)
  const all = show ? playedParts(rig, show) : []
  const here = all.findIndex((one) => isAt(one, at))
  const plays = all.flatMap((one, n) => (one.soundId === soundId ? [n] : []))
  const isSong = (n: number) => all[n]!.nth === at?.nth
  // Parts that keep the sound are come to by nothing that is stepped on; no song is passed whole so.
  const announced = all.findIndex((one, n) => n > here && one.soundId !== all[here]?.soundId)
  const found =
    plays.find((n) => n === announced && all[n]!.nth <= (at?.nth ?? -1) + 1) ??
    plays.find((n) => n > here && isSong(n)) ??
    plays.find(isSong) ??
    plays.find((n) => n > here) ??
    plays[0]
  return found === undefined ? at : showPlace(all[found]!)
}
