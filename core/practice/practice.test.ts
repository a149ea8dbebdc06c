import { describe, expect, it } from 'vitest'
import { runs, seeds } from '#testing/runs'
import { own } from '../base/own'
import { seeded } from '../base/seeded'
import { applyEdit } from '../rig/applyEdit'
import { invertEdit } from '../rig/edit'
import { rigProblems } from '../rig/integrity'
import { makeRig, makeSound, makeSwitch, recallSound } from '../rig/testing/makeRig'
import { playedParts, showOn } from '../rig/showOrder'
import type { Rig } from '../rig/rig'
import { placeKey, switchesHere } from '../rig/switchesHere'
import type { SoundId } from '../rig/table/sound'
import { findBoard, moveSwitches } from '../show/restanding'
import type { FootMove } from '../show/footMoves'
import { applied, makeShowRig } from '../show/testing/makeShowRig'
import { nearestTo, playerOf } from '../show/footWay'
import { restPoint } from '../show/foot'
import { partWays, showController } from '../show/travel'
import type { FloorState } from '../simulate/floor'
import { settle, startFloor, step } from '../simulate/step'
import { callable, nextCall, showCalls } from './calls'
import { judgeStep, pressesLeft } from './judge'
import { forgetPractice, isMiss, keepRound, pairKey, practiceDays, type CallAnswer } from './round'
import { careOf, expectedMiss, pairTally, tallyWith, weakPairs, type Tally } from './tally'

const sounds = Array.from({ length: 12 }, (_, n) => `sound${n}` as SoundId)
const NONE: Tally = new Map()
const day = (on: string, id: string) => ({ on, newId: id as never })

/** A player who fails 6 of 132 pairs in three of five calls, and any other in one of twenty. */
function makePlayer(seed: number) {
  const random = seeded(seed)
  const weak = new Set<string>()
  while (weak.size < 6) {
    const [a, b] = [Math.floor(random() * 12), Math.floor(random() * 12)]
    if (a !== b) weak.add(pairKey(sounds[a]!, sounds[b]!))
  }
  return {
    weak,
    plays: (from: SoundId | null, to: SoundId): CallAnswer => {
      const fails = random() < (from !== null && weak.has(pairKey(from, to)) ? 0.6 : 0.05)
      return { from, to, wrongSteps: Number(fails), ms: 900 }
    },
    random,
  }
}

type Player = ReturnType<typeof makePlayer>
type Pick = (recent: readonly SoundId[], tally: Tally, random: () => number) => SoundId

function practise({ plays, random }: Player, calls: number, pick: Pick): CallAnswer[] {
  const answers: CallAnswer[] = []
  let tally = NONE
  const recent: SoundId[] = []
  for (let n = 0; n < calls; n++) {
    const to = pick(recent, tally, random)
    const answer = plays(recent.at(-1) ?? null, to)
    recent.push(to)
    answers.push(answer)
    tally = tallyWith(tally, [answer])
  }
  return answers
}

const byWholeWays: Pick = (recent, tally, random) => nextCall(sounds, recent, tally, random)!
const others = (recent: readonly SoundId[]) => sounds.filter((id) => id !== recent.at(-1))
/** A plain draw: any other sound as likely as the next. */
const evenly: Pick = (recent, _, random) => {
  const open = others(recent)
  return open[Math.floor(random() * open.length)]!
}
/** By the weights of the pairs that begin here, no further. */
const byStep: Pick = (recent, tally, random) => {
  const open = others(recent)
  const from = recent.at(-1)
  const weights = open.map((to) => (from === undefined ? 1 : expectedMiss(tally, from, to) ** 2))
  let left = random() * weights.reduce((sum, one) => sum + one, 0)
  return open.find((_, n) => (left -= weights[n]!) < 0) ?? open.at(-1)!
}

describe('calls', () => {
  it('ask weak pairs far more often than a plain draw, and name more of them: 40 generated players', () => {
    const asked = { byWholeWays: 0, byStep: 0, evenly: 0 }
    const named = { byWholeWays: 0, evenly: 0 }
    const isWeak = ({ weak }: Player, { from, to }: CallAnswer) =>
      from !== null && weak.has(pairKey(from, to))
    // A matter of chance: fewer players would say less, so that all play at any depth.
    for (let seed = 1; seed <= 40; seed++) {
      for (const [name, pick] of Object.entries({ byWholeWays, byStep, evenly })) {
        const player = makePlayer(seed)
        const answers = practise(player, 300, pick)
        asked[name as keyof typeof asked] += answers.filter((one) => isWeak(player, one)).length
        if (name === 'byStep') continue
        // A plain count names those with most misses.
        const counts = new Map<string, number>()
        for (const one of answers)
          if (isMiss(one) && one.from !== null)
            counts.set(pairKey(one.from, one.to), (counts.get(pairKey(one.from, one.to)) ?? 0) + 1)
        const top =
          name === 'evenly'
            ? [...counts].sort((a, b) => b[1] - a[1]).map(([key]) => key)
            : weakPairs(withSounds(), tallyWith(NONE, answers)).map(({ from, to }) => pairKey(from, to))
        named[name as keyof typeof named] += top.slice(0, 6).filter((key) => player.weak.has(key)).length
      }
    }
    // 300 calls, 6 pairs of 132: about 14 by a plain draw.
    expect(asked.evenly / 40).toBeCloseTo((300 * 6) / 132, -1)
    expect(asked.byWholeWays).toBeGreaterThan(3 * asked.evenly)
    expect(asked.byWholeWays).toBeGreaterThan(1.1 * asked.byStep)
    // Of 240 weak pairs in all.
    expect(named.byWholeWays).toBeGreaterThan(1.15 * named.evenly)
  })

  it('call every sound sooner or later, none twice in a row, and none where there is only one', () => {
    const answers = practise(makePlayer(7), 400, byWholeWays)
    expect(new Set(answers.map(({ to }) => to)).size).toBe(12)
    for (const { from, to } of answers) expect(to).not.toBe(from)
    expect(nextCall(sounds.slice(0, 1), sounds.slice(0, 1), NONE, () => 0.5)).toBeNull()
    expect(nextCall([], [], NONE, () => 0.5)).toBeNull()
    const two = sounds.slice(0, 2)
    expect(nextCall(two, two.slice(0, 1), NONE, () => 0.99)).toBe('sound1')
    // One that plays now and cannot be called.
    expect(sounds).toContain(nextCall(sounds, ['elsewhere' as SoundId], NONE, () => 0.999999))
  })

  it('go by the show: every change of sounds in order, once each', () => {
    for (const seed of seeds(30, 1)) {
      const rig = makeShowRig(seed)
      const called = showCalls(rig).map(({ soundId }) => soundId)
      const wanted = playedParts(rig, showOn(rig)!)
        .map(({ soundId }) => soundId)
        .filter((one, n, all) => one !== all[n - 1])
      expect(called).toEqual(wanted)
    }
    expect(showCalls(makeRig({}))).toEqual([])
  })

  it('are of sounds a way leads to from every other, and of no other', () => {
    const rig = makeShowRig(5)
    expect(callable(rig)).toEqual(Object.keys(rig.sounds))
    // One more on a switch of a second controller that no show is played on; one on none.
    const lonely = makeSound('lonely', {}, { order: 99 })
    expect(callable({ ...rig, sounds: { ...rig.sounds, lonely } } as Rig)).toEqual(Object.keys(rig.sounds))
    // Without a way between banks only those of the bank it begins in are left.
    const still = Object.fromEntries(Object.entries(rig.switches).filter(([, one]) => !one.everywhere))
    const alone = callable({ ...rig, switches: still } as Rig)
    expect(alone.length).toBeLessThan(Object.keys(rig.sounds).length)
    expect(callable(makeRig({}))).toEqual([])
    expect(callable({ ...rig, controllers: {} })).toEqual([])
  })
})

const withSounds = (): Rig => makeRig({ sounds: sounds.map((name, n) => makeSound(name, {}, { order: n })) })

describe('a step', () => {
  /** The foot does one move, and all that comes of it. */
  function doMove(rig: Rig, state: FloorState, { footswitch, how, turns }: FootMove): FloorState {
    if (footswitch === null) throw new Error(`the controller's own: ${turns}`)
    const down = step(rig, state, { kind: 'press', switchId: footswitch.id, at: state.at + 2_000_000 }).state
    const up = (from: FloorState, ms: number) =>
      step(rig, from, { kind: 'release', switchId: footswitch.id, at: from.at + ms * 1000 }).state
    if (how !== 'double') return settle(rig, up(down, how === 'long' ? 900 : 80)).state
    const again = step(rig, up(down, 60), { kind: 'press', switchId: footswitch.id, at: down.at + 120_000 })
    return settle(rig, up(again.state, 60)).state
  }

  it('along the nearest way is on the way, the last one finds it, and one on another sound is wrong', () => {
    const seen = { found: 0, onTheWay: 0, wrong: 0 }
    for (const seed of seeds(40, 1)) {
      const rig = makeShowRig(seed)
      const controller = showController(rig)!
      const can = callable(rig)
      let state = settle(rig, startFloor(rig).state).state
      for (const called of can) {
        if (state.known.sound === called) continue
        const { bankId, layer, next } = state.known
        const from = { bankId: bankId!, layer, point: restPoint(controller, playerOf(rig)) }
        const route = nearestTo(rig, controller, from, called, next)!
        expect(pressesLeft(rig, state.known, called)).toBe(route.presses)
        // Another sound of this bank first, where there is one: the way starts anew from what is known then.
        const other = [...switchesHere(rig, bankId!, layer).values()].find(
          (one) =>
            one.positions[0]![0]?.kind === 'recallSound' &&
            placeKey(one) !== '' &&
            (one.positions[0]![0] as { soundId: string }).soundId !== called,
        )
        if (other) {
          const wrong = doMove(rig, state, { footswitch: other, how: 'press', turns: null } as FootMove)
          expect(judgeStep(rig, state.known, wrong.known, called)).toBe('wrong')
          seen.wrong++
        }
        if (route.moves.some(({ footswitch }) => footswitch === null)) continue
        for (const [n, move] of route.moves.entries()) {
          const after = doMove(rig, state, move)
          const verdict = judgeStep(rig, state.known, after.known, called)
          expect([seed, called, n, verdict]).toEqual([
            seed,
            called,
            n,
            n === route.moves.length - 1 ? 'found' : 'onTheWay',
          ])
          seen[verdict]++
          state = after
        }
      }
    }
    expect(seen.found).toBeGreaterThan(runs(100))
    expect(seen.onTheWay).toBeGreaterThan(runs(50))
    expect(seen.wrong).toBeGreaterThan(runs(100))
  })

  it('that does nothing or leads away is wrong', () => {
    const rig = makeShowRig(1)
    const { known } = settle(rig, startFloor(rig).state).state
    const called = callable(rig).find((id) => (pressesLeft(rig, known, id) ?? 0) > 0)!
    expect(judgeStep(rig, known, known, called)).toBe('wrong')
    expect(judgeStep(rig, known, { ...known, bankId: null }, called)).toBe('wrong')
  })
})

describe('practice kept', () => {
  const answers: CallAnswer[] = [
    { from: null, to: sounds[0]!, wrongSteps: 0, ms: 700 },
    { from: sounds[0]!, to: sounds[1]!, wrongSteps: 2, ms: 2100 },
    { from: sounds[1]!, to: sounds[0]!, wrongSteps: 0, ms: null },
    { from: sounds[0]!, to: sounds[1]!, wrongSteps: 0, ms: 800.4 },
  ]

  it('adds up by day, one row each, and one undo takes a round back', () => {
    const rig = withSounds()
    const first = applied(rig, keepRound(rig, answers, day('2026-03-01', 'p1')))
    const second = applied(first, keepRound(first, answers, day('2026-03-01', 'p2')))
    const third = applied(second, keepRound(second, answers.slice(0, 1), day('2026-03-02', 'p3')))
    expect(practiceDays(third)).toMatchObject([
      { id: 'p1', on: '2026-03-01', calls: 8, misses: 4, wrongSteps: 4, found: 6 },
      { id: 'p3', on: '2026-03-02', calls: 1, misses: 0, wrongSteps: 0, found: 1, foundMs: 700, pairs: [] },
    ])
    expect(practiceDays(third)[0]!.foundMs).toBe(7200)
    expect(practiceDays(third)[0]!.pairs).toEqual([
      { from: 'sound0', to: 'sound1', calls: 4, misses: 2 },
      { from: 'sound1', to: 'sound0', calls: 2, misses: 2 },
    ])
    expect(rigProblems(third)).toEqual([])
    const edit = keepRound(second, answers.slice(0, 1), day('2026-03-02', 'p3'))!
    expect(applied(third, invertEdit(edit))).toEqual(second)
    expect(keepRound(rig, [], day('2026-03-01', 'p'))).toBeNull()
    expect(applied(third, forgetPractice(third)).practices).toEqual({})
    expect(forgetPractice(rig)).toBeNull()
  })

  it('fades: a fortnight later a day counts half', () => {
    const rig = withSounds()
    const old = applied(rig, keepRound(rig, answers, day('2026-03-01', 'p1')))
    const now = applied(old, keepRound(old, answers, day('2026-03-15', 'p2')))
    expect(pairTally(now).get('sound0/sound1')).toMatchObject({ calls: 3, misses: 1.5 })
    expect(weakPairs(now, pairTally(now)).map(({ from, to }) => [from, to])).toEqual([
      ['sound1', 'sound0'],
      ['sound0', 'sound1'],
    ])
  })

  it('loses pairs after 30 days and days after 400, and a sound that goes takes its pairs', () => {
    let rig = withSounds()
    for (let n = 0; n < 405; n++) {
      const on = new Date(Date.UTC(2026, 0, 1 + n)).toISOString().slice(0, 10)
      rig = applied(rig, keepRound(rig, answers, day(on, `p${n}`)))
    }
    const days = practiceDays(rig)
    expect(days.length).toBe(400)
    expect(days[0]!.id).toBe('p5')
    expect(days.flatMap(({ pairs }, n) => (pairs.length > 0 ? [n] : []))).toEqual(
      Array.from({ length: 30 }, (_, n) => 370 + n),
    )
    const last = days.at(-1)!
    const gone = applyEdit(rig, {
      label: 'removeSound',
      changes: [
        { table: 'sounds', id: 'sound1', before: own(rig.sounds, 'sound1')!, after: null } as never,
        ...days
          .filter(({ pairs }) => pairs.length > 0)
          .map(
            (one) => ({ table: 'practices', id: one.id, before: one, after: { ...one, pairs: [] } }) as never,
          ),
      ],
    })
    expect(gone.ok && practiceDays(gone.value).at(-1)).toMatchObject({ calls: last.calls, pairs: [] })
  })

  it('keeps at most 500 pairs of a day, those that failed first', () => {
    const names = Array.from({ length: 40 }, (_, n) => `s${n}` as SoundId)
    const rig = makeRig({ sounds: names.map((name, n) => makeSound(name, {}, { order: n })) })
    const all = names.flatMap((from, a) =>
      names.flatMap((to, b): CallAnswer[] =>
        a === b ? [] : [{ from, to, wrongSteps: Number((a + b) % 4 === 0), ms: 500 }],
      ),
    )
    const [kept] = practiceDays(applied(rig, keepRound(rig, all, day('2026-03-01', 'p'))))
    expect(kept!.pairs.length).toBe(500)
    expect(kept!.pairs.filter(({ misses }) => misses > 0).length).toBe(all.filter(isMiss).length)
    expect(kept!.calls).toBe(all.length)
  })
})

describe('a board for weak pairs', () => {
  it('is never worse by what it minds, and brings weak pairs nearer than one that does not mind them', () => {
    const minded = { with: 0, without: 0 }
    for (const seed of seeds(25, 1)) {
      const rig = makeShowRig(seed)
      const show = showOn(rig)!
      const ways = partWays(rig, show)
      const changes = ways.flatMap(({ played: { soundId } }, n) => {
        const from = ways[n - 1]?.played.soundId
        return from && soundId && from !== soundId ? [{ from, to: soundId }] : []
      })
      const weak = changes[seed % Math.max(1, changes.length)]
      if (!weak) continue
      const answers = Array.from({ length: 12 }, (): CallAnswer => ({ ...weak, wrongSteps: 1, ms: null }))
      const care = careOf(tallyWith(NONE, answers))
      expect(care(weak.from, weak.to)).toBeCloseTo(1 + (4 * 12) / 13, 6)
      expect(care(weak.to, weak.from)).toBe(1)
      for (const [name, options] of [
        ['with', { care }],
        ['without', {}],
      ] as const) {
        let last = null
        for (const found of findBoard(rig, show, options)) {
          if (typeof found === 'string') break
          expect(found.after.cost).toBeLessThanOrEqual(found.before.cost)
          last = found
          if (found.rounds >= 4) break
        }
        if (!last) continue
        const after = last.moves.length === 0 ? rig : applied(rig, moveSwitches(rig, last.moves))
        const laid = partWays(after, show)
        minded[name] += laid.reduce((sum, { played: { soundId }, route }, n) => {
          const isIt = laid[n - 1]?.played.soundId === weak.from && soundId === weak.to
          return sum + (isIt ? (route?.ms ?? 0) : 0)
        }, 0)
      }
    }
    expect(minded.with).toBeLessThan(minded.without)
  })
})

describe('sounds on one switch', () => {
  it('are called though the foot comes down several times, and counted so', () => {
    const rig = makeRig({
      banks: [{ ...Object.values(makeShowRig(1).banks)[0]!, id: 'one' as never }],
      sounds: ['a', 'b'].map((name, n) => makeSound(name, {}, { order: n })),
      switches: [makeSwitch('one', 1, [[recallSound('a')], [recallSound('b')]])],
    })
    expect(callable(rig)).toEqual(['a', 'b'])
    const at = { bankId: 'one' as never, layer: 'base' as const }
    expect(pressesLeft(rig, { ...at, next: {} }, 'b' as SoundId)).toBe(2)
    expect(pressesLeft(rig, { ...at, next: { 'one-1': 1 } }, 'b' as SoundId)).toBe(1)
  })
})

it('a day with more misses than calls is refused, and why', () => {
  const rig = withSounds()
  const kept = applied(
    rig,
    keepRound(rig, [{ from: null, to: sounds[0]!, wrongSteps: 0, ms: 1 }], day('2026-03-01', 'p')),
  )
  const [row] = practiceDays(kept)
  const refused = applyEdit(kept, {
    label: 'keepPractice',
    changes: [{ table: 'practices', id: 'p', before: row!, after: { ...row!, misses: 2 } } as never],
  })
  expect(JSON.stringify(refused)).toContain('"code":"brokenRule","rule":"more misses or finds than calls"')
})

it('a sound removed while a round went on leaves its calls counted and its pairs out', () => {
  const rig = withSounds()
  const answers: CallAnswer[] = [
    { from: sounds[0]!, to: 'gone' as SoundId, wrongSteps: 1, ms: null },
    { from: 'gone' as SoundId, to: sounds[1]!, wrongSteps: 0, ms: 500 },
  ]
  const after = applied(rig, keepRound(rig, answers, day('2026-03-01', 'p')))
  expect(practiceDays(after)).toMatchObject([{ calls: 2, misses: 1, pairs: [] }])
})
