import { describe, expect, it } from 'vitest'
import { runs, seeds } from '#testing/runs'
import { own } from '../base/own'
import { invertEdit } from '../rig/edit'
import { makeController } from '../rig/testing/makeRig'
import { rigProblems } from '../rig/integrity'
import type { Rig } from '../rig/rig'
import { playedParts, showOn } from '../rig/showOrder'
import { USUAL_PLAYER } from '../rig/table/player'
import { floorAtPowerOn, type FloorState } from '../simulate/floor'
import { settle, step } from '../simulate/step'
import { canMove, findBoard, isBetter, moveOne, moveSwitches, type Proposal } from './restanding'
import { distanceMm, hitsTwo, isInReach, pointOf, restPoint, stepMs } from './foot'
import { footMoves, type FootMove } from './footMoves'
import { applied, makeShowRig } from './testing/makeShowRig'
import { routeTo, type Stand } from './footWay'
import { partWays, showController, standAtStart, travelOf } from './travel'
import { walkShow, type Walked } from './walk'

const walked = (rig: Rig): Walked[] => [...walkShow(rig, showOn(rig)!)]
const wrongKinds = (all: readonly Walked[]) => all.flatMap(({ wrong }) => wrong.map(({ kind }) => kind))

describe('a foot', () => {
  const board = makeController({ rows: 2, columns: 10 })
  const at = (number: number) => pointOf(board, { jack: '', number })

  // Common practice, from memory: 150 ms on the same switch, 350 ms to its neighbour, 250 to 700 ms across the board.
  it('takes as long as players say', () => {
    const ms = (from: number, to: number) =>
      stepMs(board, { ...USUAL_PLAYER, reachMm: 2000 }, at(from), at(to))
    expect(ms(3, 3)).toBeCloseTo(150, 9)
    expect(ms(3, 4)).toBeCloseTo(350, 9)
    expect(ms(1, 11)).toBeGreaterThan(350)
    expect(ms(1, 10)).toBeGreaterThan(600)
    expect(ms(1, 10)).toBeLessThan(700)
    expect(ms(2, 7)).toBe(ms(7, 2))
  })

  it('goes 65 mm across and 100 mm up, as boards are built', () => {
    expect(distanceMm(at(1), at(2))).toBe(65)
    expect(distanceMm(at(1), at(11))).toBe(100)
    expect(distanceMm(at(1), at(14))).toBeCloseTo(Math.hypot(195, 100), 9)
  })

  it('is slower in a wide boot or on a narrow board, and where the body has to move', () => {
    const to = (player: Partial<typeof USUAL_PLAYER>, columnMm = 65) =>
      stepMs({ ...board, columnMm }, { ...USUAL_PLAYER, ...player }, at(1), { x: 130, y: 0 })
    expect(to({ bootMm: 120 })).toBeGreaterThan(to({}))
    expect(to({ bootMm: 80 })).toBeLessThan(to({}))
    expect(to({}, 58)).toBeGreaterThan(to({}))
    expect(to({ reachMm: 250 }) - to({})).toBe(400)
    expect(restPoint(board, { foot: 'left' }).x).toBeLessThan(restPoint(board, { foot: 'right' }).x)
    expect(isInReach(board, { ...USUAL_PLAYER, foot: 'left', reachMm: 300 }, at(10))).toBe(false)
  })

  // Common practice: a boot covers 100 mm; switches nearer than 55 mm are hit together.
  it('hits two switches at once where they stand too near', () => {
    expect(hitsTwo({ ...board, columnMm: 54 }, USUAL_PLAYER)).toBe(true)
    expect(hitsTwo({ ...board, columnMm: 55 }, USUAL_PLAYER)).toBe(false)
  })
})

/** Stepped on the floor as a player would, calmly. */
function stepped(rig: Rig, from: FloorState, moves: readonly FootMove[], last: number): FloorState {
  let state = from
  for (const [n, move] of moves.entries()) {
    const times = move.how === 'double' ? 2 : n === moves.length - 1 ? last : 1
    if (move.footswitch === null)
      state = step(rig, state, { kind: 'bank', bankId: move.to.bankId, at: state.at + 900_000 }).state
    else
      for (let k = 0; k < times; k++) {
        const at = state.at + (k === 0 || move.how !== 'double' ? 900_000 : 60_000)
        state = step(rig, state, { kind: 'press', switchId: move.footswitch.id, at }).state
        const down = move.how === 'long' ? 800_000 : 40_000
        state = step(rig, state, { kind: 'release', switchId: move.footswitch.id, at: at + down }).state
      }
    state = settle(rig, state).state
  }
  return state
}

/** Every row of up to so many quiet moves and one that plays the sound: the least time, written plainly. */
function plainShortest(rig: Rig, from: Stand, soundId: string, deep: number): number {
  const controller = showController(rig)!
  const { from: moves } = footMoves(rig, controller.id)
  let least = Infinity
  const look = (at: Stand, ms: number, left: number): void => {
    for (const move of moves.get(`${at.bankId}/${at.layer}`) ?? []) {
      const now = ms + stepMs(controller, USUAL_PLAYER, at.point, move.point) + move.takesMs
      if (move.plays === soundId) least = Math.min(least, now)
      if (move.isQuiet && left > 0) look({ ...move.to, point: move.point }, now, left - 1)
    }
  }
  look(from, 0, deep)
  return least
}

describe('the way to a sound', () => {
  it('is the shortest there is, and plays the sound when stepped on the floor', () => {
    let found = 0
    for (const seed of seeds(120, 1)) {
      const rig = makeShowRig(seed)
      const controller = showController(rig)!
      const start = standAtStart(rig, controller)!
      let state = floorAtPowerOn(rig)
      let stand: Stand = { ...start, bankId: state.known.bankId! }
      for (const { soundId } of playedParts(rig, showOn(rig)!)) {
        const route = routeTo(rig, controller, stand, soundId!, null, state.known.next)!
        expect(route.ms).toBeCloseTo(plainShortest(rig, stand, soundId!, 4), 6)
        state = stepped(rig, state, route.moves, route.lastPresses)
        expect([seed, state.known.sound]).toEqual([seed, soundId])
        const last = route.moves.at(-1)!
        expect([state.known.bankId, state.known.layer]).toEqual([last.to.bankId, last.to.layer])
        stand = { ...last.to, point: last.point }
        found++
      }
    }
    expect(found).toBeGreaterThan(runs(500))
  })

  it('goes through the positions of a switch, counts the presses, and does not take a held layer for a way', () => {
    const rig = makeShowRig(3, { songs: 1 })
    const name = Object.keys(rig.sounds)[0]!
    const recall = { kind: 'recallSound', soundId: name as never } as const
    const [first] = Object.values(rig.switches).filter(({ everywhere }) => !everywhere)
    const turning = { ...first!, positions: [[{ kind: 'wait', ms: 5 } as const], [], [recall]] }
    const only = {
      ...rig,
      switches: Object.fromEntries(
        Object.entries(rig.switches)
          .filter(([, { everywhere }]) => everywhere)
          .concat([[turning.id, turning]]),
      ),
    }
    const controller = showController(only)!
    const from = { bankId: turning.bankId, layer: 'base', point: { x: 0, y: 0 } } as const
    expect(routeTo(only, controller, from, name as never)!.presses).toBe(3)
    expect(routeTo(only, controller, from, name as never, null, { [turning.id]: 2 })!.presses).toBe(1)
    const held = { ...turning, positions: [[{ kind: 'layer', does: 'hold' } as const, recall]] }
    const holding = { ...only, switches: { ...only.switches, [held.id]: held } }
    expect(routeTo(holding, controller, from, name as never)).toBeNull()
  })
})

/** What the devices were after each part, and what was wrong, times aside. */
const played = (rig: Rig) =>
  walked(rig).map(({ played: one, wrong }) => [
    one.part.id,
    one.soundId,
    wrong.filter(({ kind }) => kind !== 'late'),
  ])

describe('a better board', () => {
  const proposals = (rig: Rig, rounds = 4): Proposal[] => {
    const all: Proposal[] = []
    for (const one of findBoard(rig, showOn(rig)!)) {
      if (typeof one === 'string') return all
      all.push(one)
      if (one.rounds >= rounds) break
    }
    return all
  }

  it('is never worse, leaves what is pinned, and plays the same show: generated', () => {
    let [moved, gained] = [0, 0]
    for (const seed of seeds(60, 1)) {
      const rig = makeShowRig(seed)
      const show = showOn(rig)!
      const before = travelOf(partWays(rig, show))
      const all = proposals(rig)
      if (all.length === 0) continue
      for (const [n, { after }] of all.entries())
        expect(after.cost).toBeLessThanOrEqual((all[n - 1]?.after ?? before).cost)
      const last = all.at(-1)!
      expect(last.before).toEqual(before)
      for (const { switchId } of last.moves) expect(canMove(rig, own(rig.switches, switchId)!)).toBe(true)
      const edit = moveSwitches(rig, last.moves)
      const after = applied(rig, edit)
      expect(rigProblems(after)).toEqual([])
      expect(travelOf(partWays(after, show))).toEqual(last.after)
      expect(played(after)).toEqual(played(rig))
      for (const one of Object.values(rig.switches)) {
        const now = own(after.switches, one.id)!
        expect({ ...now, bankId: one.bankId, layer: one.layer, number: one.number }).toEqual(one)
        if (!canMove(rig, one)) expect(now).toEqual(one)
        // A group of which one lamp is on stays in one bank.
        if (one.group !== '' && now.bankId !== one.bankId) throw new Error(`${one.id} left its group`)
      }
      if (last.moves.length > 0) moved++
      if (last.after.cost < before.cost * 0.8) gained++
      if (edit) expect(applied(after, invertEdit(edit))).toEqual(rig)
    }
    expect(moved).toBeGreaterThan(runs(25))
    expect(gained).toBeGreaterThan(runs(10))
  })

  it('switch by switch comes to the same board as all at once', () => {
    let tried = 0
    for (const seed of seeds(40, 1)) {
      const rig = makeShowRig(seed)
      const last = proposals(rig, 2).at(-1)
      if (!last || last.moves.length < 3) continue
      tried++
      let now = rig
      const wanted = new Map(last.moves.map((move) => [move.switchId, move.to]))
      for (let guard = 0; guard < 50; guard++) {
        const edits = [...wanted].flatMap(([switchId, to]) => {
          const { bankId, layer, number } = own(now.switches, switchId)!
          const isThere = bankId === to.bankId && layer === to.layer && number === to.number
          const from = { bankId, layer, number }
          return isThere ? [] : (moveOne(now, showOn(now)!, { switchId, from, to }) ?? [])
        })
        if (edits.length === 0) break
        now = applied(now, edits[0]!)
      }
      const whole = applied(rig, moveSwitches(rig, last.moves))
      for (const { switchId } of last.moves) expect(now.switches[switchId]).toEqual(whole.switches[switchId])
    }
    expect(tried).toBeGreaterThan(runs(5))
  })

  it('cannot be taken once something in it is pinned, gone or elsewhere: what is pinned stays', () => {
    let tried = 0
    for (const seed of seeds(40, 1)) {
      const rig = makeShowRig(seed)
      const show = showOn(rig)!
      const moves = proposals(rig, 2).at(-1)?.moves ?? []
      const [first] = moves
      if (!first) continue
      tried++
      const row = own(rig.switches, first.switchId)!
      const pinned = { ...rig, switches: { ...rig.switches, [row.id]: { ...row, isPinned: true } } }
      expect(moveSwitches(pinned, moves)).toBeNull()
      for (const move of moves) {
        const edit = moveOne(pinned, show, move)
        if (edit) expect(applied(pinned, edit).switches[row.id]).toEqual(pinned.switches[row.id])
      }
      expect(moveOne(pinned, show, first)).toBeNull()
      const { [row.id]: _, ...others } = rig.switches
      expect(moveSwitches({ ...rig, switches: others }, moves)).toBeNull()
      const once = moveOne(rig, show, first)
      if (once) expect(moveSwitches(applied(rig, once), moves)).toBeNull()
    }
    expect(tried).toBeGreaterThan(runs(15))
  })

  it('gives the same answer to the same question, in whatever order its rows were made', () => {
    const rig = makeShowRig(8)
    const turned: Rig = {
      ...rig,
      switches: Object.fromEntries(Object.entries(rig.switches).reverse()),
      banks: Object.fromEntries(Object.entries(rig.banks).reverse()),
      sounds: Object.fromEntries(Object.entries(rig.sounds).reverse()),
      parts: Object.fromEntries(Object.entries(rig.parts).reverse()),
    }
    expect(proposals(turned).at(-1)).toEqual(proposals(rig).at(-1))
  })

  it('proposes nothing worse by any count, and says why there is nothing to look for', () => {
    const cheaper = { mm: 1, presses: 1, banks: 1, ms: 1, tight: 0, unplayed: 0, cost: 1 }
    expect(isBetter(cheaper, { ...cheaper, cost: 2 })).toBe(true)
    expect(isBetter({ ...cheaper, tight: 1 }, { ...cheaper, cost: 90_000 })).toBe(false)
    expect(isBetter(cheaper, cheaper)).toBe(false)
    const rig = makeShowRig(4)
    const show = showOn(rig)!
    const first = (one: Rig) => findBoard(one, show).next().value
    expect(first({ ...rig, controllers: {} })).toBe('noController')
    expect(first({ ...rig, banks: {}, switches: {} })).toBe('noBank')
    expect(first({ ...rig, parts: {} })).toBe('noParts')
    const pinned = Object.fromEntries(
      Object.entries(rig.switches).map(([id, one]) => [id, { ...one, isPinned: true }]),
    )
    expect(first({ ...rig, switches: pinned })).toBe('nothingMoves')
    expect(moveSwitches(rig, [])).toBeNull()
  })
})

describe('the walk through a show', () => {
  it('finds nothing where nothing is wrong', () => {
    for (const seed of seeds(60, 1)) expect([seed, wrongKinds(walked(makeShowRig(seed)))]).toEqual([seed, []])
  })

  /** One fault put into a show that has none, and where it must be found. */
  const FAULTS: Record<string, (rig: Rig, at: number) => Rig> = {
    noSwitch: (rig, at) => {
      const { soundId } = playedParts(rig, showOn(rig)!)[at]!
      const switches = Object.fromEntries(
        Object.entries(rig.switches).filter(
          ([, one]) => !JSON.stringify(one.positions).includes(`"${soundId}"`),
        ),
      )
      return { ...rig, switches }
    },
    noSound: (rig, at) => {
      const { part } = playedParts(rig, showOn(rig)!)[at]!
      return { ...rig, parts: { ...rig.parts, [part.id]: { ...part, soundId: null } } }
    },
    late: (rig, at) => {
      const { part } = playedParts(rig, showOn(rig)!)[at]!
      return {
        ...rig,
        parts: { ...rig.parts, [part.id]: { ...part, ahead: { amount: 0.05, unit: 'seconds' } } },
      }
    },
    device: (rig, at) => {
      // The switch also recalls another preset behind the sound, on the echo.
      const { soundId } = playedParts(rig, showOn(rig)!)[at]!
      const other = Object.values(rig.presets).find(
        ({ deviceId, id }) => deviceId === 'echo' && id !== `echo-${soundId}`,
      )!
      const recall = { kind: 'recallPreset', presetId: other.id } as const
      const switches = Object.fromEntries(
        Object.entries(rig.switches).map(([id, one]) => [
          id,
          JSON.stringify(one.positions).includes(`"${soundId}"`)
            ? { ...one, positions: [[...one.positions[0]!, recall]] }
            : one,
        ]),
      )
      return { ...rig, switches }
    },
  }

  it.each(Object.keys(FAULTS))('finds every planted "%s", in its part, and nothing else', (kind) => {
    let planted = 0
    for (const seed of seeds(80, 1)) {
      const rig = makeShowRig(seed)
      const parts = playedParts(rig, showOn(rig)!)
      // Where the sound changes: a part that keeps the sound before needs nothing.
      const at = parts.findIndex(({ soundId }, n) => n > 0 && soundId !== parts[n - 1]!.soundId)
      if (at < 1) continue
      planted++
      const faulty = FAULTS[kind]!(rig, at)
      const all = walked(faulty)
      expect([seed, all[at]!.wrong.map((one) => one.kind)]).toEqual([seed, [kind]])
      const { soundId, part } = parts[at]!
      for (const { played: one, wrong } of all)
        for (const found of wrong) {
          expect(found.kind).toBe(kind)
          expect(one.part.id === part.id || one.soundId === soundId).toBe(true)
        }
    }
    expect(planted).toBeGreaterThan(runs(40))
  })

  it('finds a bank that nothing leads to, a device that is not heard, and a tempo nobody takes up', () => {
    let rig = makeShowRig(1)
    while (Object.keys(rig.banks).length < 3) rig = makeShowRig(Object.keys(rig.sounds).length * 7 + 11)
    const still = {
      ...rig,
      switches: Object.fromEntries(Object.entries(rig.switches).filter(([, { everywhere }]) => !everywhere)),
    }
    expect(wrongKinds(walked(still))).toContain('noWay')
    const cut = { ...rig, cables: {} }
    expect(new Set(wrongKinds(walked(cut)))).toEqual(new Set(['device']))
    const song = Object.values(rig.songs)[0]!
    const timed = { ...rig, songs: { ...rig.songs, [song.id]: { ...song, tempo: 97 } } }
    const tempi = walked(timed).flatMap(({ wrong }) => wrong)
    expect(tempi[0]).toEqual({ kind: 'tempo', wanted: 97, is: 120, from: null })
    expect(new Set(tempi.map(({ kind }) => kind))).toEqual(new Set(['tempo']))
  })

  it('says of a part nobody gave time that it cannot tell, and of one longer than the part before that it is late', () => {
    const rig = makeShowRig(5)
    const parts = playedParts(rig, showOn(rig)!)
    const at = parts.findIndex(({ soundId }, n) => n > 0 && soundId !== parts[n - 1]!.soundId)
    const [before, part] = [parts[at - 1]!.part, parts[at]!.part]
    const changed = (lasts: number | null): Rig => ({
      ...rig,
      parts: {
        ...rig.parts,
        [part.id]: { ...part, ahead: null },
        [before.id]: { ...before, lasts: lasts === null ? null : { amount: lasts, unit: 'seconds' } },
      },
    })
    expect(walked(changed(null))[at]).toMatchObject({ wrong: [], isTimeUnknown: true })
    expect(walked(changed(0.25))[at]!.wrong).toMatchObject([{ kind: 'late', isWholePart: true }])
  })

  it('plays what is said for tonight: a part left out, another sound', () => {
    const rig = makeShowRig(6)
    const [first, second] = playedParts(rig, showOn(rig)!)
    const other = Object.keys(rig.sounds).find((id) => id !== second!.soundId)!
    const tonight = { since: '2026-11-26' }
    const changed: Rig = {
      ...rig,
      parts: {
        ...rig.parts,
        [first!.part.id]: { ...first!.part, tonight: { ...tonight, isOut: true, soundId: null } },
        [second!.part.id]: {
          ...second!.part,
          tonight: { ...tonight, isOut: false, soundId: other as never },
        },
      },
    }
    const all = walked(changed)
    expect(all.some(({ played: one }) => one.part.id === first!.part.id)).toBe(false)
    expect(all[0]!.played).toMatchObject({ part: { id: second!.part.id }, soundId: other })
  })

  it('ends on an empty rig, an empty show and a thousand parts', () => {
    const rig = makeShowRig(2)
    const show = showOn(rig)!
    expect([...walkShow({ ...rig, controllers: {}, banks: {}, switches: {} }, show)].length).toBeGreaterThan(
      0,
    )
    expect([...walkShow(rig, { ...show, songIds: [] })]).toEqual([])
    const long = {
      ...show,
      songIds: Array.from({ length: 300 }, (_, n) => show.songIds[n % show.songIds.length]!),
    }
    expect([...walkShow({ ...rig, shows: { show: long } }, long)].length).toBeGreaterThanOrEqual(300)
  })
})
