import { describe, expect, it } from 'vitest'
import { runs, seeds } from '#testing/runs'
import { makePedal, makeRoleOf } from '../pedal/testing/makePedals'
import { makePart, makeShow, makeSong } from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import { playedParts, showOn, type ShowPlace } from '../rig/showOrder'
import { makeShowRig } from '../show/testing/makeShowRig'
import { placeShowStep } from '../show/showSwitches'
import { applyEdit } from '../rig/applyEdit'
import { floorAtPowerOn } from '../simulate/floor'
import { floorRig, onFloor, stepAt, feet } from '../simulate/testing/makeFloor'
import { step } from '../simulate/step'
import { showAfter, stageNow, stageNowSchema, type StageNow } from './stageNow'
import { partWays } from '../show/travel'
import { stageView } from './stageView'

const id = onFloor
const partAt = (place: ShowPlace | null) => place && `${place.nth} ${place.partId}`

describe('what a stage shows', () => {
  const sound = (name: string) => ({ kind: 'recallSound', soundId: id(name) }) as const
  const rig = floorRig({ positions: [[sound('verse')]], label: 'Verse' })

  it('is small, says bank, sound, lamps and feet, and survives the wire', () => {
    const { state } = feet(rig, stepAt(0))
    const now = stageNow(rig, state, null, id('one-1'))
    expect(now).toMatchObject({ bankId: 'one', layer: 'base', soundId: 'verse', lamps: { '/1': 'steady' } })
    expect(stageNowSchema.parse(JSON.parse(JSON.stringify(now)))).toEqual(now)
    expect(JSON.stringify(now).length).toBeLessThan(1000)
    const { state: held } = step(rig, state, { kind: 'press', switchId: id('one-1'), at: state.at + 10_000 })
    expect(stageNow(rig, held, null, null).down).toEqual(['/1'])
  })

  it('is the board in its rows, the far one first, with the name of each switch', () => {
    const { state } = feet(rig, stepAt(0))
    const view = stageView(rig, stageNow(rig, state, null, null))!
    const controller = Object.values(rig.controllers)[0]!
    expect(view.rows.length).toBe(controller.rows)
    const near = view.rows.at(-1)!
    expect(near.map(({ number }) => number)).toEqual(near.map((_, n) => n + 1))
    expect(near[0]).toMatchObject({ name: 'Verse', light: 'steady' })
    expect(near[1]).toMatchObject({ name: '', light: 'off' })
    expect(view.bank).toEqual({ shown: 1, name: 'One' })
    expect(view.heard).toBe('verse')
    expect(stageView({ ...rig, controllers: {}, banks: {} }, stageNow(rig, state, null, null))).toBeNull()
  })

  it('says the role a pedal is in, and leaves out one that leads nothing', () => {
    const layered = makePedal('layered', [
      makeRoleOf([], { kind: 'layer' }),
      makeRoleOf([], { kind: 'banks', bankIds: [id('one')] }),
    ])
    const never = makePedal('never', [makeRoleOf([], { kind: 'banks', bankIds: [id('two')] })])
    const { state } = feet(rig, stepAt(0))
    const footed = { ...rig, pedals: { layered, never } } as Rig
    const now = stageNow(footed, state, null, null)
    expect(now.roles).toEqual({ layered: 1 })
    expect(stageView(footed, now)?.pedals.map(({ pedal, role }) => [pedal.id, role])).toEqual([
      ['layered', 1],
    ])
    const shifted = { ...state, known: { ...state.known, layer: 'shift' as const } }
    expect(stageNow(footed, shifted, null, null).roles).toEqual({ layered: 0 })
  })

  it('holds on to nothing that the rig no longer has', () => {
    const now: StageNow = {
      bankId: id('gone'),
      layer: 'base',
      soundId: id('gone'),
      switchId: id('gone'),
      showAt: { nth: 7, songId: id('gone'), partId: id('gone') },
      bpm: 120,
      lamps: { '/99': 'steady' },
      roles: { gone: 3 },
      down: [],
      next: { gone: 3 },
    }
    expect(stageView(rig, now)).toMatchObject({ bank: null, now: null, heard: '', pedals: [] })
  })
})

describe('where a show is', () => {
  const rig = (() => {
    const made = floorRig({})
    return {
      ...made,
      songs: { air: makeSong('air', 96), reel: makeSong('reel', 140, { order: 2 }) },
      parts: Object.fromEntries(
        [
          makePart('air', 1, 'verse'),
          makePart('air', 2, 'chorus'),
          makePart('air', 3, 'verse'),
          makePart('reel', 1, 'verse'),
        ].map((one) => [one.id, one]),
      ),
      shows: { show: makeShow('show', ['air', 'reel', 'air']) },
    } as Rig
  })()
  const known = (soundId: string | null, showAt: ShowPlace | null = null) => ({
    sound: soundId as never,
    showAt,
  })
  const after = (at: ShowPlace | null, from: string | null, to: string) =>
    showAfter(rig, at, known(from), known(to))

  it('follows the sounds stepped on: on in the song, again in the song, then on in the show', () => {
    const first = after(null, null, 'verse')
    expect(partAt(first)).toBe('0 air-part-1')
    const second = after(first, 'verse', 'chorus')
    expect(partAt(second)).toBe('0 air-part-2')
    const third = after(second, 'chorus', 'verse')
    expect(partAt(third)).toBe('0 air-part-3')
    // The chorus once more, out of order.
    expect(partAt(after(third, 'verse', 'chorus'))).toBe('0 air-part-2')
    const reel: ShowPlace = { nth: 1, songId: id('reel'), partId: id('reel-part-1') }
    expect(partAt(after(reel, 'verse', 'chorus'))).toBe('2 air-part-2')
    // What no part plays leaves it where it is; so does the same sound stepped on again.
    expect(after(second, 'chorus', 'nothing')).toEqual(second)
    expect(after(second, 'chorus', 'chorus')).toEqual(second)
  })

  it('comes to the part announced, though its sound was played before in the song', () => {
    const songs = ['one', 'two', 'three'].map((name, n) => makeSong(name, 100, { order: n + 1 }))
    const played: [string, string[]][] = [
      ['one', ['verse', 'chorus', 'verse']],
      ['two', ['verse', 'chorus', 'solo']],
      ['three', ['chorus', 'verse', 'chorus', 'verse']],
    ]
    const three: Rig = {
      ...rig,
      sounds: { ...rig.sounds, solo: { ...rig.sounds['verse']!, id: id('solo'), name: 'Solo' } },
      songs: Object.fromEntries(songs.map((one) => [one.id, one])),
      parts: Object.fromEntries(
        played.flatMap(([song, sounds]) =>
          sounds.map((sound, n) => makePart(song, n + 1, sound)).map((one) => [one.id, one]),
        ),
      ),
      shows: { show: makeShow('show', ['one', 'two', 'three']) },
    }
    // Played from top to end: a part that keeps the sound is passed with the one before it.
    let at: ShowPlace | null = null
    let before: string | null = null
    for (const part of playedParts(three, showOn(three)!)) {
      if (part.soundId === before) continue
      at = showAfter(three, at, known(before), known(part.soundId))
      expect(partAt(at)).toBe(`${part.nth} ${part.part.id}`)
      before = part.soundId
    }
  })

  it('says how often the foot comes down, as the set list does, from where the switch stands', () => {
    const turns = floorRig({
      positions: ['verse', 'chorus', 'verse'].map((name) => [{ kind: 'recallSound', soundId: id(name) }]),
    })
    const [verse, chorus] = [makePart('air', 1, 'verse'), makePart('air', 2, 'chorus')]
    const shown: Rig = {
      ...turns,
      songs: { air: makeSong('air', 96) },
      parts: { [verse.id]: verse, [chorus.id]: chorus },
      shows: { show: makeShow('show', ['air']) },
    }
    const at: ShowPlace = { nth: 0, songId: id('air'), partId: verse.id }
    const floor = floorAtPowerOn(shown)
    const times = (next: number) => {
      const state = { ...floor, known: { ...floor.known, sound: id('verse'), next: { 'one-1': next } } }
      return stageView(shown, stageNow(shown, state, at, null))!.lastTimes
    }
    // Three positions, the chorus the second: from the first two presses, from itself one, from the third three.
    expect([times(0), times(1), times(2)]).toEqual([2, 1, 3])
    expect(partWays(shown, showOn(shown)!).map(({ route }) => route?.lastPresses)).toEqual([1, 1])
    const old = { ...stageNow(shown, floor, at, null), next: undefined }
    expect(stageNowSchema.parse(JSON.parse(JSON.stringify(old))).next).toEqual({})
  })

  it("goes by the controller's own list where that moved", () => {
    const reel: ShowPlace = { nth: 1, songId: id('reel'), partId: id('reel-part-1') }
    expect(showAfter(rig, null, known('verse'), known('verse', reel))).toBe(reel)
    expect(showAfter({ ...rig, shows: {} }, reel, known(null), known(null))).toBeNull()
  })

  it('names the next part and the foot to it, at every part of generated shows in either school', () => {
    let parts = 0
    for (const seed of seeds(30, 1)) {
      const plain = makeShowRig(seed, { sounds: 8 })
      const edit = placeShowStep(plain, 'nextPart', null, 'Next', id('on'))
      const applied = edit && applyEdit(plain, edit)
      if (!applied?.ok) continue
      for (const stepsOn of ['sounds', 'nextPart'] as const) {
        const show = { ...showOn(plain)!, stepsOn }
        const rig: Rig = { ...applied.value, shows: { [show.id]: show } }
        const all = playedParts(rig, show)
        for (const [n, { nth, song, part, soundId }] of all.entries()) {
          parts++
          const floor = floorAtPowerOn(rig)
          const at: ShowPlace = { nth, songId: song.id, partId: part.id }
          const now = stageNow(rig, { ...floor, known: { ...floor.known, sound: soundId } }, at, null)
          const view = stageView(rig, now)!
          expect(view.now).toBe(all[n])
          expect(view.next).toBe(all[n + 1] ?? null)
          const isSame = stepsOn === 'sounds' && all[n + 1]?.soundId === soundId
          expect(view.staysForNext).toBe(n + 1 < all.length && isSame)
          const last = view.toNext.at(-1)
          if (n + 1 === all.length || isSame) expect(view.toNext).toEqual([])
          else if (stepsOn === 'sounds') expect(last?.plays).toBe(all[n + 1]!.soundId)
          else expect(last?.goesOn).toBe(true)
          const next = view.rows.flat().filter(({ isNext }) => isNext)
          expect(next.map(({ number }) => number)).toEqual(
            view.toNext[0] && view.toNext[0].jack === '' ? [view.toNext[0].number] : [],
          )
        }
      }
    }
    expect(parts).toBeGreaterThan(runs(300))
  })
})
