import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs, seeds } from '#testing/runs'
import { own } from '../base/own'
import { seeded } from '../base/seeded'
import { usualDevice } from '../archetype/archetype'
import type { Rig } from '../rig/rig'
import type { Action } from '../rig/table/action'
import type { Footswitch } from '../rig/table/switch'
import { rigProblems } from '../rig/integrity'
import { wideRigs } from '../rig/testing/wideRigs'
import type { HeardFault } from './faults'
import { gestureKey, gesturesOf, sentBy, type Gesture, type HeardMessage } from './gestures'
import { learnSwitch, nextAsked, type SwitchTakes } from './learn'
import { learnedRig, type LearnedPlace } from './learnRig'
import { makeListeningRig } from './testing/makeListeningRigs'
import { gesturesThatSend, judgeBoard, type Take } from './verdict'

const BOARDS = 300

const controllerOf = (rig: Rig) => Object.values(rig.controllers)[0]!

/** What a controller that holds `held` sends when its player goes through the gestures of the plan. */
const takesOf = (plan: Rig, held: Rig): Take[] =>
  gesturesOf(plan, controllerOf(plan)).map((gesture) => ({ gesture, sent: sentBy(held, gesture) }))

/** A switch with a list put as bytes. */
function withBytes(rig: Rig, gesture: Gesture, hexes: readonly string[]): Rig {
  const one = own(rig.switches, gesture.switchId)!
  const list = hexes.map((hex): Action => ({ kind: 'raw', deviceId: 'amp' as never, hex }))
  const after: Footswitch = {
    ...one,
    positions: one.positions.map((its, n) => (n === gesture.nth ? list : its)),
  }
  return { ...rig, switches: { ...rig.switches, [one.id]: after } }
}

const bytes = (hex: string) => hex.split(' ').map((one) => Number.parseInt(one, 16))
const hexOf = (all: readonly number[]) =>
  all.map((one) => one.toString(16).toUpperCase().padStart(2, '0')).join(' ')
const isProgram = (hex: string) => hex.startsWith('C')
const isControl = (hex: string) => hex.startsWith('B')
const isSelect = (hex: string) => isControl(hex) && ['00', '20'].includes(hex.split(' ')[1]!)

type Planted = { readonly hexes: readonly string[]; readonly fault: HeardFault }

/** Each kind of fault, planted in a list of messages; null where that list has nothing for it. */
const PLANTS: {
  readonly [kind: string]: (hexes: readonly string[], int: (size: number) => number) => Planted | null
} = {
  offByOne: (hexes) => {
    const at = hexes.findIndex((hex) => isProgram(hex) && bytes(hex)[1]! < 127)
    if (at < 0) return null
    const [status, program] = bytes(hexes[at]!) as [number, number]
    const wrong = hexOf([status, program + 1])
    if (hexes.includes(wrong)) return null
    return {
      hexes: hexes.with(at, wrong),
      fault: { kind: 'offByOne', by: 1, channel: (status & 15) + 1, sent: program + 1, planned: program },
    }
  },
  channel: (hexes) => {
    const at = hexes.findIndex((hex) => isControl(hex) && !isSelect(hex))
    if (at < 0) return null
    const [status, ...data] = bytes(hexes[at]!) as [number, number, number]
    // Channel 16 is nobody's.
    return {
      hexes: hexes.with(at, hexOf([0xbf, ...data])),
      fault: { kind: 'channel', sent: 16, planned: (status & 15) + 1, message: hexes[at]! },
    }
  },
  bankSelect: (hexes) => {
    const at = hexes.findIndex(isSelect)
    if (at < 0) return null
    const channel = (bytes(hexes[at]!)[0]! & 15) + 1
    const isIts = (hex: string) => isSelect(hex) && (bytes(hex)[0]! & 15) + 1 === channel
    return { hexes: hexes.filter((hex) => !isIts(hex)), fault: { kind: 'bankSelect', channel } }
  },
  value: (hexes) => {
    const at = hexes.findIndex((hex) => isControl(hex) && !isSelect(hex))
    if (at < 0) return null
    const [status, number, value] = bytes(hexes[at]!) as [number, number, number]
    const wrong = (value + 64) % 128
    if (hexes.some((hex) => hex !== hexes[at] && hex.startsWith(hexOf([status, number])))) return null
    return {
      hexes: hexes.with(at, hexOf([status, number, wrong])),
      fault: { kind: 'value', channel: (status & 15) + 1, number, sent: wrong, planned: value },
    }
  },
  number: (hexes) => {
    const at = hexes.findIndex((hex) => isControl(hex) && !isSelect(hex))
    if (at < 0) return null
    const [status, number, value] = bytes(hexes[at]!) as [number, number, number]
    return {
      hexes: hexes.with(at, hexOf([status, 110, value])),
      fault: { kind: 'number', channel: (status & 15) + 1, sent: 110, planned: number },
    }
  },
  program: (hexes) => {
    const at = hexes.findIndex(isProgram)
    if (at < 0) return null
    const [status, program] = bytes(hexes[at]!) as [number, number]
    const wrong = (program + 60) % 128
    if (hexes.filter((hex) => bytes(hex)[0] === status).length > 1) return null
    return {
      hexes: hexes.with(at, hexOf([status, wrong])),
      fault: { kind: 'program', channel: (status & 15) + 1, sent: wrong, planned: program },
    }
  },
  missing: (hexes) => {
    const at = hexes.findIndex((hex) => !isSelect(hex) && !isProgram(hex))
    if (at < 0 || hexes.length < 2) return null
    return { hexes: hexes.toSpliced(at, 1), fault: { kind: 'missing', message: hexes[at]! } }
  },
  extra: (hexes) => ({ hexes: [...hexes, 'BF 77 01'], fault: { kind: 'extra', message: 'BF 77 01' } }),
  order: (hexes) =>
    hexes.length < 2 || hexes[0] === hexes.at(-1)
      ? null
      : { hexes: [hexes.at(-1)!, ...hexes.slice(1, -1), hexes[0]!], fault: { kind: 'order' } },
  silent: () => ({ hexes: [], fault: { kind: 'silent' } }),
}

describe('listening to a board', () => {
  it.each(Array.from({ length: BOARDS }, (_, n) => n))(
    'names what was planted, and nothing else, board %i',
    (seed) => {
      const plan = makeListeningRig(seed)
      const random = seeded(seed)
      const int = (size: number) => Math.floor(random() * size)
      const controller = controllerOf(plan)
      let held = plan
      const planted = new Map<string, HeardFault>()
      const used = new Set<string>()
      const kinds = Object.keys(PLANTS)
      for (let n = 0; n < 3; n++) {
        const kind = kinds[(seed + n) % kinds.length]!
        for (const gesture of gesturesOf(plan, controller)) {
          const one = own(plan.switches, gesture.switchId)!
          // One of each switch; without what the foot sends as it comes off, whose part of the list nobody knows.
          if (gesture.how !== 'tap' || used.has(one.id) || one.release.length > 0 || one.longPress.length > 0)
            continue
          const list = one.positions[gesture.nth]!
          if (list.some(({ kind: its }) => its === 'wait')) continue
          const hexes = sentBy(plan, gesture).map(({ hex }) => hex)
          const found = PLANTS[kind]!(hexes, int)
          if (!found) continue
          used.add(one.id)
          planted.set(gestureKey(gesture), found.fault)
          held = withBytes(held, gesture, found.hexes)
          break
        }
      }
      const judged = judgeBoard(plan, controller, takesOf(plan, held))
      for (const { gesture, verdict } of judged) {
        const fault = planted.get(gestureKey(gesture))
        if (!fault) expect(verdict).toEqual({ kind: 'right' })
        else expect(verdict).toEqual({ kind: 'wrong', faults: [fault] })
      }
    },
  )

  it('names two switches that were swapped, and one that does what another should', () => {
    let swaps = 0
    for (const seed of seeds(100)) {
      const plan = makeListeningRig(seed)
      const controller = controllerOf(plan)
      const plain = gesturesOf(plan, controller).filter(({ switchId, how, bankId }) => {
        const one = own(plan.switches, switchId)!
        return (
          how === 'tap' &&
          bankId === 'one' &&
          one.positions.length === 1 &&
          one.release.length + one.longPress.length === 0
        )
      })
      const [a, b] = plain
      if (!a || !b) continue
      swaps++
      const [x, y] = [own(plan.switches, a.switchId)!, own(plan.switches, b.switchId)!]
      const swapped: Rig = {
        ...plan,
        switches: {
          ...plan.switches,
          [x.id]: { ...x, positions: y.positions },
          [y.id]: { ...y, positions: x.positions },
        },
      }
      const judged = judgeBoard(plan, controller, takesOf(plan, swapped))
      const of = (gesture: Gesture) =>
        judged.find((one) => gestureKey(one.gesture) === gestureKey(gesture))!.verdict
      expect(of(a)).toEqual({ kind: 'wrong', faults: [{ kind: 'swapped', gesture: gestureKey(b) }] })
      expect(of(b)).toEqual({ kind: 'wrong', faults: [{ kind: 'swapped', gesture: gestureKey(a) }] })
      const copied: Rig = {
        ...plan,
        switches: { ...plan.switches, [x.id]: { ...x, positions: y.positions } },
      }
      const once = judgeBoard(plan, controller, takesOf(plan, copied))
      expect(once.filter(({ verdict }) => verdict?.kind !== 'right')).toMatchObject([
        { gesture: a, verdict: { kind: 'wrong', faults: [{ kind: 'another', gesture: gestureKey(b) }] } },
      ])
    }
    expect(swaps).toBeGreaterThan(runs(15))
  })

  it('says what was not heard yet, and of what came in any order which step it was', () => {
    const plan = makeListeningRig(3)
    const controller = controllerOf(plan)
    const takes = takesOf(plan, plan)
    expect(judgeBoard(plan, controller, takes.slice(2)).filter(({ take }) => take === null)).toHaveLength(2)
    for (const { gesture, sent } of takes)
      expect(gesturesThatSend(plan, controller, gesture.bankId, sent).map(gestureKey)).toContain(
        gestureKey(gesture),
      )
  })

  it('takes a switch for right that begins with another of its presses, since controllers remember where they were', () => {
    let turned = 0
    for (const seed of seeds(60)) {
      const plan = makeListeningRig(seed)
      const controller = controllerOf(plan)
      const takes = gesturesOf(plan, controller).map((gesture): Take => {
        const of = own(plan.switches, gesture.switchId)!.positions.length
        if (gesture.how !== 'tap' || of === 1) return { gesture, sent: sentBy(plan, gesture) }
        turned++
        return { gesture, sent: sentBy(plan, { ...gesture, nth: (gesture.nth + 1) % of }) }
      })
      for (const { verdict } of judgeBoard(plan, controller, takes))
        expect(verdict).toEqual({ kind: 'right' })
    }
    expect(turned).toBeGreaterThan(runs(60))
  })

  it('never calls wrong what sends just what is planned, whatever the switches do: generated rigs with every kind of action', () => {
    const count = { right: 0, unheard: 0 }
    fc.assert(
      fc.property(wideRigs(), (rig) => {
        for (const { gesture, verdict } of judgeBoard(rig, controllerOf(rig), takesOf(rig, rig))) {
          expect([gesture, Object.keys(count).includes(verdict!.kind) || verdict]).toEqual([gesture, true])
          count[verdict!.kind as keyof typeof count]++
        }
      }),
      generated(300, 41),
    )
    expect(count.right).toBeGreaterThan(runs(3000))
    expect(count.unheard).toBeGreaterThan(runs(300))
  })

  it('never calls a switch wrong whose messages hang on what was sent before', () => {
    const plan = makeListeningRig(11)
    const id = Object.keys(plan.switches)[0]!
    const controlId = Object.keys(plan.controls)[0] as never
    const step: Action = { kind: 'stepControl', controlId, by: 7, from: 0, to: 120, atEnd: 'wrap' }
    const rig: Rig = {
      ...plan,
      switches: {
        ...plan.switches,
        [id]: { ...plan.switches[id]!, positions: [[step]], release: [], longPress: [] },
      },
    }
    const gesture = gesturesOf(rig, controllerOf(rig)).find(({ switchId }) => switchId === id)!
    const [first] = sentBy(rig, gesture)
    const said = (hex: string) =>
      judgeBoard(rig, controllerOf(rig), [{ gesture, sent: [{ ms: 0, hex }] }])[0]!.verdict!.kind
    expect(said(first!.hex)).toBe('right')
    expect(said(`${first!.hex.slice(0, -2)}23`)).toBe('cannotTell')
  })
})

/** A real controller stepped on as the tool asks: it goes on where the last step left it. */
function takesFrom(held: Rig, tap: (nth: number) => Gesture, hold: Gesture | null): SwitchTakes {
  let takes: SwitchTakes = { taps: [], hold: null, double: null }
  for (;;) {
    const asked = nextAsked(takes, false)
    if (asked === 'tap') takes = { ...takes, taps: [...takes.taps, sentBy(held, tap(0), takes.taps.length)] }
    else if (asked === 'hold') takes = { ...takes, hold: held_(held, tap(0), takes.taps.length) }
    else return takes
    if (hold === null && asked === 'hold') return takes
  }
}

/** Held from when the player is told to; what was heard with its moment from then. */
function held_(held: Rig, gesture: Gesture, before: number): NonNullable<SwitchTakes['hold']> {
  const messages = sentBy(held, { ...gesture, how: 'hold' }, before)
  const one = own(held.switches, gesture.switchId)!
  const controller = controllerOf(held)
  const hasLong = one.longPress.length > 0 && controller.events.includes('longPress')
  // With a press that waits for the foot to come off the first that is heard is the long press, or the release.
  const waits = hasLong && controller.pressWithLong === 'release'
  const [least] = messages
  const from = !least ? 0 : waits ? controller.longMs : 0
  return { messages: messages.map(({ ms, hex }): HeardMessage => ({ ms: ms + from, hex })), heldMs: 1900 }
}

describe('a controller learned by listening', () => {
  it('is the one that was programmed, on generated boards', () => {
    let switches = 0
    for (const seed of seeds(100)) {
      const held = makeListeningRig(seed)
      const controller = controllerOf(held)
      const places: LearnedPlace[] = []
      for (const one of Object.values(held.switches)) {
        const tap: Gesture = {
          bankId: one.bankId,
          layer: one.layer,
          jack: one.jack,
          number: one.number,
          switchId: one.id,
          how: 'tap',
          nth: 0,
        }
        const does = learnSwitch(takesFrom(held, () => tap, tap))
        expect(does.doubts).toEqual([])
        places.push({
          bank: own(held.banks, one.bankId)!.index,
          layer: one.layer,
          jack: one.jack,
          number: one.number,
          does,
        })
      }
      const device = { ...usualDevice, ports: [], deafMs: 0 }
      const learned = learnedRig('Learned', controller, device, places)
      expect(rigProblems(learned)).toEqual([])
      for (const gesture of gesturesOf(held, controller)) {
        switches++
        const bank = own(held.banks, gesture.bankId)!.index
        const same = gesturesOf(learned, controller).find(
          (one) =>
            one.bankId === `bank-${bank}` &&
            one.number === gesture.number &&
            one.how === gesture.how &&
            one.nth === gesture.nth,
        )
        expect(same && sentBy(learned, same).map(({ hex }) => hex)).toEqual(
          sentBy(held, gesture).map(({ hex }) => hex),
        )
      }
    }
    expect(switches).toBeGreaterThan(runs(700))
  })

  it('says of a silent switch, and of one that goes on, that it cannot tell', () => {
    expect(
      learnSwitch({ taps: [[], []], hold: { messages: [], heldMs: 1900 }, double: null }).doubts,
    ).toEqual(['silent'])
    const taps = Array.from({ length: 32 }, (_, n) => [{ ms: 0, hex: hexOf([0xb0, 20, n]) }])
    expect(nextAsked({ taps: taps.slice(0, 31), hold: null, double: null }, false)).toBe('tap')
    expect(nextAsked({ taps, hold: null, double: null }, false)).toBe('hold')
    expect(learnSwitch({ taps, hold: null, double: null }).doubts).toEqual(['goesOn'])
  })
})
