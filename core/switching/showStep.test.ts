import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { hexOf } from '../midi/hexBytes'
import { applyEdit } from '../rig/applyEdit'
import { makePart, makeRig, makeShow, makeSong, makeSound } from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import { showOn, showTarget, type ShowMove, type ShowPlace } from '../rig/showOrder'
import type { Action } from '../rig/table/action'
import { moveSong, partTonight } from '../show/showEdits'
import { feet, floorRig, onFloor, stepAt } from '../simulate/testing/makeFloor'
import { reconcile } from '../simulate/reconcile'
import { doingFirst, mostSteps, storedMessages } from './compile'
import { readPhrase } from './phrase/readPhrase'
import { tempoNow } from './tempoNow'

const id = onFloor
const go = (to: ShowMove, songId: string | null = null): Action => ({
  kind: 'showStep',
  to,
  songId: songId as never,
})

/** Where the list is, what holds, and what was sent, after presses of a switch that goes through some steps. */
function after(steps: readonly Action[], change: (rig: Rig) => Rig = (rig) => rig) {
  const rig = change(floorRig({ positions: steps.map((one) => [one]) }))
  const { state, wire } = feet(
    rig,
    steps.flatMap((_, n) => stepAt(n * 5000)),
  )
  return {
    rig,
    state,
    at: state.known.showAt?.partId ?? null,
    bpm: tempoNow(state.known).bpm,
    sent: wire.map(({ bytes }) => hexOf(bytes)).filter((bytes) => bytes.startsWith('C')),
  }
}

describe('a step in the show', () => {
  it('goes through the parts, sends each its sound, takes up the tempo of each song, and stops at the ends', () => {
    expect(after([go('nextPart')])).toMatchObject({ at: 'air-part-1', bpm: 96, sent: ['C3 0B'] })
    const through = after(Array.from({ length: 5 }, () => go('nextPart')))
    expect(through).toMatchObject({ at: 'reel-part-1', bpm: 140, sent: ['C3 0B', 'C3 0C', 'C3 0B'] })
    const back = after([go('nextPart'), go('nextPart'), go('previousPart'), go('previousPart')])
    expect(back).toMatchObject({ at: 'air-part-1', bpm: 96, sent: ['C3 0B', 'C3 0C', 'C3 0B'] })
    expect(after([go('previousPart')])).toMatchObject({ at: null, sent: [] })
    expect(after([go('nextSong'), go('nextSong')])).toMatchObject({ at: 'reel-part-1', bpm: 140 })
    expect(after([go('song', 'reel'), go('previousSong')])).toMatchObject({ at: 'air-part-1', bpm: 96 })
    expect(after([go('previousSong')])).toMatchObject({ at: null })
  })

  it('keeps a tempo that was tapped for as long as the song goes on', () => {
    const nudge: Action = { kind: 'tempo', does: 'nudge', bpm: 4 }
    expect(after([go('nextPart'), nudge, go('nextPart')]).bpm).toBe(100)
    expect(after([go('nextPart'), nudge, go('nextSong')]).bpm).toBe(140)
  })

  it('passes over what is left out tonight, and plays another sound where one is said', () => {
    const out = (rig: Rig): Rig => {
      const edit = partTonight(rig, id('air-part-1'), { isOut: true }, '2026-11-26')!
      const done = applyEdit(rig, edit)
      if (!done.ok) throw new Error('refused')
      return done.value
    }
    expect(after([go('nextPart')], out)).toMatchObject({ at: 'air-part-2', sent: ['C3 0C'] })
  })

  it('goes on from its song where that was moved, from before it where its part is gone, and forgets a song that is gone', () => {
    const { rig, state } = after([go('nextPart'), go('nextPart')])
    const moved = applyEdit(rig, moveSong(rig, showOn(rig)!.id, 0, 1)!)
    if (!moved.ok) throw new Error('refused')
    const there = reconcile(moved.value, state)
    expect(there.known.showAt).toMatchObject({ nth: 1, partId: 'air-part-2' })
    expect(showTarget(moved.value, there.known.showAt, 'nextPart')).toBeNull()
    const { 'air-part-2': _, ...parts } = rig.parts
    const gone = { ...rig, parts } as Rig
    expect(showTarget(gone, reconcile(gone, state).known.showAt, 'nextPart')?.part.id).toBe('air-part-1')
    const empty = { ...rig, shows: {} }
    expect(reconcile(empty, state).known.showAt).toBeNull()
  })

  it('keeps the tempo of the list when something is edited in the bank of another song', () => {
    const { rig, state } = after([go('song', 'reel')])
    const banks = { ...rig.banks, one: { ...rig.banks['one']!, songId: id('air') } } as Rig['banks']
    expect(tempoNow(reconcile({ ...rig, banks }, state).known).bpm).toBe(140)
  })

  it('is counted by the part that takes most messages', () => {
    const rig = floorRig({ positions: [[go('nextSong')]] })
    const chorus = {
      ...rig,
      parts: { ...rig.parts, 'air-part-1': { ...rig.parts['air-part-1']!, soundId: id('chorus') } },
    }
    const [one] = Object.values(chorus.switches)
    // The chorus of the first song sends one, the verse of the second two and its contact.
    expect(storedMessages(mostSteps(chorus as Rig, one!, 'press'))).toBe(2)
  })

  it.each([
    ['next part', go('nextPart')],
    ['previous part', go('previousPart')],
    ['next song', go('nextSong')],
    ['previous song', go('previousSong')],
    ['song reel', go('song', 'reel')],
  ])('is typed as "%s"', (typed, action) => {
    const rig = floorRig({})
    const one = Object.values(rig.switches)[0]!
    expect(readPhrase(rig, typed, doingFirst(rig, one))[0]?.action).toEqual(action)
  })
})

/** A show of generated songs, parts and gaps, with a list of it written down beside. */
const shows = fc
  .record({
    songs: fc.array(fc.array(fc.boolean(), { maxLength: 4 }), { minLength: 1, maxLength: 6 }),
    order: fc.array(fc.nat(5), { maxLength: 9 }),
  })
  .map(({ songs, order }) => {
    const set = order.filter((n) => n < songs.length)
    const parts = songs.flatMap((all, song) =>
      all.map((isOut, n) =>
        makePart(`song${song}`, n + 1, 'one', {
          tonight: isOut ? { isOut, soundId: null, since: '2026-11-26' } : null,
        }),
      ),
    )
    const rig = makeRig({
      sounds: [makeSound('one', {})],
      songs: songs.map((_, n) => makeSong(`song${n}`, null)),
      parts: parts.toReversed(),
      shows: [
        makeShow(
          'show',
          set.map((n) => `song${n}`),
        ),
      ],
    })
    const list = set.flatMap((song, nth) =>
      songs[song]!.flatMap((isOut, n) => (isOut ? [] : [`${nth} song${song}-part-${n + 1}`])),
    )
    return { rig, list }
  })

describe('generated shows', () => {
  it('are gone through once from end to end and back, part by part and song by song', () => {
    fc.assert(
      fc.property(shows, ({ rig, list }) => {
        const walk = (move: ShowMove, from: ShowPlace | null) => {
          const met: string[] = []
          for (let at = from; met.length < 100;) {
            const next = showTarget(rig, at, move)
            if (!next) return { met, at }
            at = { nth: next.nth, songId: next.song.id, partId: next.part.id }
            met.push(`${next.nth} ${next.part.id}`)
          }
          throw new Error('it does not end')
        }
        const on = walk('nextPart', null)
        expect(on.met).toEqual(list)
        expect(walk('previousPart', on.at).met).toEqual(list.slice(0, -1).toReversed())
        const firsts = list.filter((one, n) => n === 0 || list[n - 1]!.split(' ')[0] !== one.split(' ')[0])
        const songs = walk('nextSong', null)
        expect(songs.met).toEqual(firsts)
        expect(walk('previousSong', on.at).met).toEqual(firsts.slice(0, -1).toReversed())
      }),
      generated(300, 165),
    )
  })
})
