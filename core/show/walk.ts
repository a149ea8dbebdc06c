import { own } from '#core/base'
import {
  type Rig,
  aheadMs,
  isAt,
  partMs,
  playedParts,
  type PlayedPart,
  type ControlId,
  type DeviceId,
  type Show,
  songTempo,
  type SongId,
  type Sound,
  type SoundId,
} from '#core/rig'
import { sendingOf, wantsOf } from '#core/sound'
import { tempoNow, type TempoNow } from '#core/switching'
import { floorAtPowerOn, type FloorState, truth, advance, settle, step } from '#core/simulate'
import { stepMs } from './foot'
import { FOOT_DOWN_MS, type FootMove } from './footMoves'
import { playerOf, type Stand } from './footWay'
import {
  inTimeOf,
  showController,
  standAtStart,
  unreached,
  wayTo,
  type Allowed,
  type Unplayed,
} from './travel'

/** What a device is and should be, once a part's sound should be there. */
export type Fault =
  | {
      readonly kind: 'preset'
      readonly deviceId: DeviceId
      readonly wanted: number
      readonly is: number | null
    }
  | {
      readonly kind: 'control'
      readonly deviceId: DeviceId
      readonly controlId: ControlId
      readonly wanted: number
      readonly is: number | null
    }
  | {
      readonly kind: 'contact'
      readonly deviceId: DeviceId
      readonly contactId: string
      readonly wanted: boolean
      readonly is: boolean | null
    }
  | { readonly kind: 'off'; readonly deviceId: DeviceId }

/** One wrong moment of a show. */
export type Wrong =
  | { readonly kind: Unplayed }
  /** What a device is not as the sound says; null in `is` where nobody knows what it is. */
  | { readonly kind: 'device'; readonly fault: Fault }
  /** Ready later than its first note, in ms. */
  | { readonly kind: 'late'; readonly readyMs: number; readonly hasMs: number; readonly isWholePart: boolean }
  /** The song's tempo does not hold: whose does instead. */
  | { readonly kind: 'tempo'; readonly wanted: number; readonly is: number; readonly from: TempoNow['from'] }
  /** The step to the next part came to another one. */
  | { readonly kind: 'otherPart' }
  /** Messages came while a device was loading and were lost. */
  | { readonly kind: 'lost'; readonly deviceId: DeviceId }

/** One part as it came out on the floor. */
export interface Walked {
  readonly played: PlayedPart
  readonly wrong: readonly Wrong[]
  /** How long it took until all devices were ready, in ms; null where it was not played. */
  readonly readyMs: number | null
  /** Whether there was time is not known: nobody said how much there is. */
  readonly isTimeUnknown: boolean
  /** Messages sent on the way. */
  readonly messages: number
}

/** A part nobody said the length of lasts so long here, in ms. */
const PART_MS = 8000
/** What is still under way after a part has been played that long is not waited for: a clock, a sweep. */
const REST_MS = 3000

/** Whether the devices are what a sound says of them; empty when they are. What it leaves or the foot does is not looked at. */
function soundFaults(rig: Rig, sound: Sound, state: Pick<FloorState, 'devices' | 'off'>): Fault[] {
  const facts = truth(state, rig)
  return [...wantsOf(rig, sound)].flatMap(([deviceId, want]): Fault[] => {
    if (want.kind !== 'be') return []
    const says = want.preset !== null || want.holds.size > 0 || want.contacts.length > 0
    if (own(state.off, deviceId)) return says ? [{ kind: 'off', deviceId }] : []
    const preset = facts.preset(deviceId) ?? null
    return [
      ...(want.preset !== null && preset !== want.preset
        ? [{ kind: 'preset' as const, deviceId, wanted: want.preset, is: preset }]
        : []),
      ...[...want.holds].flatMap(([controlId, wanted]): Fault[] => {
        const is = facts.value(controlId) ?? null
        return is === wanted ? [] : [{ kind: 'control', deviceId, controlId, wanted, is }]
      }),
      ...want.contacts.flatMap(({ contact, isClosed }): Fault[] => {
        const is = facts.contact(deviceId, contact.id) ?? null
        return is === isClosed
          ? []
          : [{ kind: 'contact', deviceId, contactId: contact.id, wanted: isClosed, is }]
      }),
    ]
  })
}

interface Stepped {
  readonly state: FloorState
  readonly messages: number
  readonly lostBy: ReadonlySet<DeviceId>
}

/** A foot's move made at a moment, with what came of it until the foot is off again. */
function stepOn(rig: Rig, from: FloorState, move: FootMove, times: number): Stepped {
  let state = from
  let messages = 0
  const lostBy = new Set<DeviceId>()
  const take = (result: ReturnType<typeof step>) => {
    state = result.state
    messages += result.wire.length
    for (const { lostBy: lost } of result.wire) for (const id of lost) lostBy.add(id as DeviceId)
  }
  if (move.footswitch === null) {
    take(step(rig, state, { kind: 'bank', bankId: move.to.bankId, at: state.at }))
    return { state, messages, lostBy }
  }
  const switchId = move.footswitch.id
  const downMs = move.how === 'long' ? move.takesMs + 30 : FOOT_DOWN_MS
  const feet = move.how === 'double' ? 2 : times
  for (let n = 0; n < feet; n++) {
    take(step(rig, state, { kind: 'press', switchId, at: state.at }))
    take(step(rig, state, { kind: 'release', switchId, at: state.at + downMs * 1000 }))
    if (n < feet - 1)
      // Two quick ones are one double step; positions are gone through one by one.
      take(
        advance(
          rig,
          state,
          state.at + (move.how === 'double' ? 60 : Math.max(120, move.takesMs + 60)) * 1000,
        ),
      )
  }
  take(advance(rig, state, state.at + Math.max(0, move.takesMs - downMs) * 1000))
  return { state, messages, lostBy }
}

/**
 * A whole show walked through on the simulated floor, from power-on: every part stepped to by the shortest way from where
 * the foot is, at its time where that is known, and looked at once everything has come to rest. What is wrong is said part
 * by part; a tempo that is wrong once a song. Where nothing goes to the next part, it ends with the part that says so.
 */
export function* walkShow(rig: Rig, show: Show): Generator<Walked, void, void> {
  const controller = showController(rig)
  const player = playerOf(rig)
  let state = settle(rig, step(rig, floorAtPowerOn(rig), { kind: 'powerAll', at: 0 }).state).state
  let stand = controller && standAtStart(rig, controller)
  let before: SoundId | null = null
  let beforeMs: number | null = null
  let wrongTempo: string | null = null
  for (const [n, played] of playedParts(rig, show).entries()) {
    const { song, part, nth } = played
    const sound = own(rig.sounds, played.soundId ?? '') ?? null
    const allowed: Allowed = {
      aheadMs: n === 0 ? null : aheadMs(part, song, played.isFirstOfSong),
      lastMs: beforeMs,
      isFirst: before === null,
    }
    beforeMs = partMs(part, song)
    const wrong: Wrong[] = []
    let readyMs: number | null = null
    let messages = 0
    let isTimeUnknown = false
    if (!sound) wrong.push({ kind: 'noSound' })
    if (sound !== null && sound.id === before && show.stepsOn === 'sounds') readyMs = 0
    else if (sound !== null || show.stepsOn === 'nextPart') {
      const here: Stand | null =
        stand && state.known.bankId
          ? { bankId: state.known.bankId, layer: state.known.layer, point: stand.point }
          : null
      const route = controller && here ? wayTo(rig, show, controller, here, played, state.known.next) : null
      if (!controller || !here || !route) {
        const why = unreached(rig, show, controller, (sound?.id ?? '') as SoundId)
        wrong.push({ kind: why })
        if (why === 'noStep') {
          yield { played, wrong, readyMs, isTimeUnknown, messages }
          return
        }
      } else {
        const began = state.at
        let point = here.point
        for (const [k, move] of route.moves.entries()) {
          const isLast = k === route.moves.length - 1
          const underWay = stepMs(controller, player, point, move.point)
          state = advance(rig, state, state.at + Math.round(underWay * 1000)).state
          const done = stepOn(rig, state, move, isLast ? route.lastPresses : 1)
          state = done.state
          messages += done.messages
          for (const deviceId of done.lostBy) wrong.push({ kind: 'lost', deviceId })
          point = move.point
        }
        stand = { bankId: here.bankId, layer: here.layer, point }
        const deaf = Math.max(...Object.values(state.deafUntil), 0) - began
        const ready = sound ? sendingOf(rig, sound, controller).ready : 0
        const took = Math.max(route.ms + ready / 1000, deaf / 1000)
        if (sound) {
          readyMs = took
          const inTime = inTimeOf(took, allowed)
          const hasMs = inTime === 'tight' ? allowed.aheadMs : inTime === 'never' ? allowed.lastMs : null
          if (hasMs !== null)
            wrong.push({ kind: 'late', readyMs: took, hasMs, isWholePart: inTime === 'never' })
          isTimeUnknown = inTime === 'unknown'
          before = sound.id
        }
        const { showAt } = state.known
        if (show.stepsOn === 'nextPart' && !isAt(played, showAt)) wrong.push({ kind: 'otherPart' })
      }
    }
    // All that was sent has arrived, and every device hears again.
    const rested = advance(rig, state, Math.max(state.at + REST_MS * 1000, ...Object.values(state.deafUntil)))
    state = rested.state
    for (const id of new Set(rested.wire.flatMap(({ lostBy }) => lostBy)))
      wrong.push({ kind: 'lost', deviceId: id as DeviceId })
    messages += readyMs === null || readyMs === 0 ? 0 : rested.wire.length
    if (sound && readyMs !== null)
      for (const fault of soundFaults(rig, sound, state)) wrong.push({ kind: 'device', fault })
    const bpm = songTempo(song)
    const now = tempoNow(state.known)
    const key = `${nth}/${song.id as SongId}`
    if (sound && readyMs !== null && bpm !== null && Math.abs(now.bpm - bpm) > 0.05 && wrongTempo !== key) {
      wrong.push({ kind: 'tempo', wanted: bpm, is: now.bpm, from: now.from })
      wrongTempo = key
    }
    yield { played, wrong, readyMs, isTimeUnknown, messages }
    state = advance(rig, state, state.at + Math.max(0, (beforeMs ?? PART_MS) - REST_MS) * 1000).state
  }
}
