import { describe, expect, it } from 'vitest'
import { runs, seeds } from '#testing/runs'
import { beyondController } from '../check/switches/beyondController'
import { unreachedSound } from '../check/sounds/unreachedSound'
import { rigProblems } from '../rig/integrity'
import {
  makeBank,
  makeController,
  makePart,
  makeRig,
  makeShow,
  makeSong,
  makeSound,
  makeSwitch,
  recallSound,
} from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import { playedParts, showOn, showPlace, showTarget } from '../rig/showOrder'
import type { Action } from '../rig/table/action'
import { lacking, requirements } from '../switching/requirements'
import { wrongMoments } from '../check/searched/wrongMoments'
import { canMove, findBoard, moveOne } from './restanding'
import { applied, makeShowRig } from './testing/makeShowRig'
import { placeShowStep, placeSongSwitch, showSwitch, stepsToPart } from './showSwitches'
import { partWays, travelOf, waysOfShow } from './travel'
import { walkShow, type Walked } from './walk'

const id = (name: string) => name as never
/** The same rig, its show stepped on part by part. */
const partByPart = (rig: Rig): Rig => {
  const show = showOn(rig)!
  return { ...rig, shows: { ...rig.shows, [show.id]: { ...show, stepsOn: 'nextPart' } } }
}
const walked = (rig: Rig): Walked[] => [...walkShow(rig, showOn(rig)!)]
const done = <Answer>(steps: Generator<unknown, Answer>): Answer => {
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value
}
/** A generated show with nothing wrong with it, and a switch that goes on in it; null where no place is free. */
function inOrder(seed: number): Rig | null {
  const rig = makeShowRig(seed, { sounds: 8 })
  const edit = placeShowStep(rig, 'nextPart', null, 'Next part', id('on'))
  return edit && partByPart(applied(rig, edit))
}

describe('a show stepped on part by part', () => {
  it('comes out right in generated shows, each part by one press more', () => {
    let tried = 0
    for (const seed of seeds(60, 1)) {
      const rig = inOrder(seed)
      if (!rig) continue
      tried++
      expect(rigProblems(rig)).toEqual([])
      const parts = playedParts(rig, showOn(rig)!)
      const ways = partWays(rig, showOn(rig)!)
      expect(ways.map(({ why }) => why)).toEqual(parts.map(() => null))
      // Once the foot is on the switch, it stays.
      expect(ways.slice(1).map(({ route }) => [route?.presses, route?.mm, route?.banks])).toEqual(
        parts.slice(1).map(() => [1, 0, 0]),
      )
      const all = walked(rig)
      expect([seed, all.flatMap(({ wrong }) => wrong)]).toEqual([seed, []])
      expect(all.length).toBe(parts.length)
    }
    expect(tried).toBeGreaterThan(runs(40))
  })

  it('takes up the tempo of each song', () => {
    const rig = inOrder(2)!
    const songs = Object.fromEntries(
      Object.values(rig.songs).map((song, n) => [song.id, { ...song, tempo: 90 + n }]),
    )
    expect(walked({ ...rig, songs }).flatMap(({ wrong }) => wrong)).toEqual([])
  })

  it('says once that nothing goes to the next part, and that a rig reaches no place with it', () => {
    const rig = partByPart(makeShowRig(3))
    const all = walked(rig)
    expect(all.map(({ wrong }) => wrong)).toEqual([[{ kind: 'noStep' }]])
    expect(done(wrongMoments(rig))).toMatchObject([{ severity: 'error', facts: { kinds: ['noStep'] } }])
    expect(new Set(waysOfShow(rig, showOn(rig)!).map(({ why }) => why))).toEqual(new Set(['noStep']))
    // It stands in a bank nothing leads to.
    const far = makeRig({
      controllers: [makeController()],
      banks: [makeBank('one', 0), makeBank('two', 1)],
      sounds: [makeSound('a', {})],
      songs: [makeSong('song', null)],
      parts: [makePart('song', 1, 'a')],
      shows: [makeShow('show', ['song'], { stepsOn: 'nextPart' })],
      switches: [makeSwitch('two', 1, [[{ kind: 'showStep', to: 'nextPart', songId: null }]])],
    })
    expect(walked(far).map(({ wrong }) => wrong)).toEqual([[{ kind: 'noWay' }]])
  })

  it('finds a list that something else moves too, in the part that comes out as another', () => {
    let planted = 0
    for (const seed of seeds(60, 1)) {
      const rig = inOrder(seed)
      // At the last part nothing goes on any more.
      if (!rig || playedParts(rig, showOn(rig)!).length < 2) continue
      planted++
      const [controller] = Object.values(rig.controllers)
      const onPower: Action[] = [{ kind: 'showStep', to: 'nextPart', songId: null }]
      const power = { ...rig, controllers: { [controller!.id]: { ...controller!, onPower } } }
      expect([seed, walked(power)[0]!.wrong[0]?.kind]).toEqual([seed, 'otherPart'])
    }
    expect(planted).toBeGreaterThan(runs(40))
  })

  it('has a part without a sound and one with the sound before stepped on like any other', () => {
    const rig = inOrder(4)!
    const [, second] = playedParts(rig, showOn(rig)!)
    const parts = { ...rig.parts, [second!.part.id]: { ...second!.part, soundId: null } }
    const all = walked({ ...rig, parts })
    expect(all.filter(({ wrong }) => wrong.length > 0).map(({ wrong }) => wrong[0]!.kind)).toEqual(
      all.filter(({ played }) => played.part.id === second!.part.id).map(() => 'noSound'),
    )
    expect(travelOf(partWays({ ...rig, parts }, showOn(rig)!)).presses).toBe(
      travelOf(partWays(rig, showOn(rig)!)).presses,
    )
  })

  it('leaves the board to those who step on sounds: the same is found either way', () => {
    const rig = makeShowRig(8)
    const last = (one: Rig) => {
      const all = []
      for (const found of findBoard(one, showOn(one)!)) {
        all.push(found)
        if (typeof found === 'string' || found.rounds >= 3) break
      }
      return all.at(-1)
    }
    expect(last(partByPart(rig))).toEqual(last(rig))
  })
})

describe('steps to a part', () => {
  it('come to it from every place of generated shows, this time of a song that comes twice', () => {
    let tried = 0
    for (const seed of seeds(40, 1)) {
      const rig = makeShowRig(seed, { songs: 3 })
      const all = playedParts(rig, showOn(rig)!)
      for (const from of [null, ...all.map(showPlace)])
        for (const part of all) {
          tried++
          let at = from
          for (const step of stepsToPart(rig, from, part)) {
            if (step.kind !== 'showStep') throw new Error(step.kind)
            at = showPlace(showTarget(rig, at, step.to, step.songId)!)
          }
          expect([seed, from, at]).toEqual([seed, from, showPlace(part)])
        }
    }
    expect(tried).toBeGreaterThan(runs(1000))
  })
})

describe('switches for a show', () => {
  it('stand where most banks have room, say what they do, and are found again', () => {
    const rig = makeShowRig(1, { sounds: 3 })
    const one = applied(rig, placeShowStep(rig, 'nextSong', null, 'The next song of the show', id('a')))
    expect(one.switches['a']).toMatchObject({ everywhere: true, label: 'The next song of' })
    expect(showSwitch(one, 'nextSong')).toMatchObject({ footswitch: { id: 'a' }, how: 'press' })
    expect(showSwitch(one, 'nextPart')).toBeNull()
    const two = applied(one, placeShowStep(one, 'song', id('song0'), 'First', id('b')))
    expect(showSwitch(two, 'song', id('song0'))?.footswitch.id).toBe('b')
    expect(showSwitch(two, 'song', id('song1'))).toBeNull()
    const place = ({ bankId, layer, number }: Rig['switches'][string]) => `${bankId} ${layer} ${number}`
    expect(place(two.switches['a']!)).not.toBe(place(two.switches['b']!))
    // Nothing that stood somewhere stands elsewhere or is covered.
    for (const before of Object.values(rig.switches)) expect(two.switches[before.id]).toEqual(before)
  })

  it('are refused a board without room', () => {
    const full = makeRig({
      controllers: [makeController({ rows: 1, columns: 2, hasShift: false })],
      banks: [makeBank('one', 0)],
      sounds: [makeSound('a', {})],
      switches: [makeSwitch('one', 1, [[recallSound('a')]]), makeSwitch('one', 2, [[recallSound('a')]])],
    })
    expect(placeShowStep(full, 'nextPart', null, '', id('x'))).toBeNull()
    expect(placeShowStep(makeRig({}), 'nextPart', null, '', id('x'))).toBeNull()
  })

  it('ask for a controller that keeps a list, and reach the sounds of its parts', () => {
    const rig = inOrder(5)!
    const [controller] = Object.values(rig.controllers)
    const needs = (one: Rig) =>
      lacking(Object.values(one.controllers)[0]!, requirements(one, Object.values(one.controllers)[0]!))
    expect(needs(rig).map(({ need }) => need)).toContain('showList')
    expect(beyondController(rig).map(({ facts }) => facts.what)).toContain('showList')
    const able: Rig = { ...rig, controllers: { [controller!.id]: { ...controller!, keepsShow: true } } }
    expect(needs(able).map(({ need }) => need)).not.toContain('showList')
    expect(beyondController(able).map(({ facts }) => facts.what)).not.toContain('showList')
    // Only the step in the show is left on the board: what the show plays is reached, the rest is not.
    const { on } = rig.switches
    const alone = {
      ...able,
      switches: { on: { ...on!, bankId: Object.values(rig.banks).find(({ index }) => index === 0)!.id } },
    }
    const reached = new Set(playedParts(rig, showOn(rig)!).map(({ soundId }) => soundId))
    expect(new Set(unreachedSound(alone as Rig).map(({ about }) => about.id))).toEqual(
      new Set(Object.keys(rig.sounds).filter((sound) => !reached.has(id(sound)))),
    )
  })

  it('are one for the parts of a song where the controller keeps no list', () => {
    const rig = makeShowRig(6, { sounds: 4 })
    const bank = Object.values(rig.banks)[0]!
    const long = Object.values(rig.songs).find(
      ({ id: song }) => Object.values(rig.parts).filter(({ songId }) => songId === song).length > 1,
    )!
    const edit = placeSongSwitch(rig, bank.id, long.id, 'Parts', id('parts'))
    const own = playedParts(rig, { ...showOn(rig)!, songIds: [long.id] })
    expect(applied(rig, edit).switches['parts']).toMatchObject({
      bankId: bank.id,
      label: 'Parts',
      positions: own.map(({ soundId }) => [recallSound(soundId!)]),
    })
    expect(placeSongSwitch(rig, bank.id, id('nothing'), '', id('x'))).toBeNull()
  })
})

describe('one switch of a proposal', () => {
  it('is not exchanged with one that would come into the bank of another song', () => {
    const rig = makeRig({
      controllers: [makeController({ hasShift: false })],
      banks: [
        makeBank('storm', 0, 'Storm', { songId: id('storm') }),
        makeBank('free', 1),
        makeBank('other', 2),
      ],
      sounds: [makeSound('a', {}), makeSound('b', {}, { order: 2 })],
      songs: [makeSong('storm', 132), makeSong('net', 96, { order: 2 })],
      parts: [makePart('storm', 1, 'a'), makePart('net', 1, 'b')],
      shows: [makeShow('show', ['storm', 'net'])],
      switches: [
        makeSwitch('storm', 1, [[recallSound('a')]]),
        makeSwitch('free', 1, [[recallSound('b')]]),
        ...['storm', 'free', 'other'].map((bank) =>
          makeSwitch(bank, 8, [[{ kind: 'travel', to: 'next', bankId: null }]]),
        ),
      ],
    })
    const [storm] = Object.values(rig.switches)
    const show = showOn(rig)!
    expect(canMove(rig, storm!)).toBe(true)
    const from = { bankId: id('storm'), layer: 'base' as const, number: 1 }
    const move = (to: string, number: number) =>
      moveOne(rig, show, { switchId: storm!.id, from, to: { bankId: id(to), layer: 'base', number } })
    // What stands there is played in another song, whose tempo the bank would take away.
    expect(move('free', 1)).toBeNull()
    expect(move('free', 2)?.changes).toHaveLength(1)
  })
})
