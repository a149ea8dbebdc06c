import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import { own } from '../base/own'
import { applyEdit } from '../rig/applyEdit'
import type { Rig } from '../rig/rig'
import {
  makeBank,
  makeController,
  makePort,
  makeRig,
  makeRole,
  makeSound,
  makeSwitch,
} from '../rig/testing/makeRig'
import type { Action } from '../rig/table/action'
import type { Controller } from '../rig/table/controller'
import type { Device } from '../rig/table/device'
import { floorRig, onFloor } from '../simulate/testing/makeFloor'
import { deviceState, type FloorState } from '../simulate/floor'
import { playSteps } from '../simulate/run'
import { startFloor } from '../simulate/step'
import { fixesOf } from './fixes'
import { floorMachine } from './floorMachine'
import { lampRigs } from './testing/makeLampRigs'
import { makeProofRig } from './testing/makeProofRig'
import { atRest, makeMove, makeMoves, movesAt, restingStart, stepsOfMoves } from './moves'
import { paceLine } from './paceLine'
import { proofOf } from './proof'
import { soundsLine } from './soundsLine'
import { switchesLine } from './switchesLine'
import { waysLine } from './waysLine'

/** Runs of so many moves are all made. */
const DEPTH = 4
const FLOORS_MAX = 1500

const floorText = ({ known, devices, feet }: FloorState): string => {
  const { taps: _, tempo: __, running: ___, ...rest } = known
  return JSON.stringify([
    rest,
    Object.entries(devices).map(([id, { lastControl: _l, fired: _f, refused: _r, ...device }]) => [
      id,
      device,
    ]),
    Object.entries(feet).map(([id, foot]) => [id, foot.fired]),
  ])
}

/** What a sound of the generated rigs wants, read off its row: presets of devices, by index from 0. */
const wanted = (rig: Rig, soundId: string): readonly (readonly [deviceId: string, preset: number])[] =>
  own(rig.sounds, soundId)!.cells.flatMap(({ deviceId, cell }) =>
    cell.kind === 'preset' ? [[deviceId as string, own(rig.presets, cell.presetId)!.index] as const] : [],
  )

/**
 * For each sound and device the fewest moves after which its recall has left the device in another preset than the sound
 * says, found by making every run: a move recalls a sound when it says so to a controller that took another for the last.
 */
function byForce(rig: Rig): { readonly depths: ReadonlyMap<string, number>; readonly looked: number } {
  const depths = new Map<string, number>()
  const start = atRest(rig, startFloor(rig).state).state
  const seen = new Set([floorText(start)])
  let floors = [start]
  for (let depth = 1; depth <= DEPTH; depth++) {
    const next: FloorState[] = []
    for (const state of floors)
      for (const { move, footswitch } of movesAt(rig, state)) {
        const after = makeMove(rig, state, move, footswitch).state
        const forgot = { ...state, known: { ...state.known, sound: 'none' as never, presets: {} } }
        const { sound, presets } = makeMove(rig, forgot, move, footswitch).state.known
        if (sound !== null && (sound as string) !== 'none')
          for (const [deviceId, preset] of wanted(rig, sound)) {
            const key = `${sound} ${deviceId}`
            // What the same list goes on to recall is the player's own doing.
            if (own(presets, deviceId) !== preset || depths.has(key)) continue
            if (deviceState(after, deviceId).preset !== preset) depths.set(key, depth)
          }
        const text = floorText(after)
        if (seen.has(text)) continue
        seen.add(text)
        next.push(after)
      }
    floors = next
    if (floors.length > FLOORS_MAX) return { depths, looked: depth }
  }
  return { depths, looked: DEPTH }
}

describe('sounds from everywhere', () => {
  it('a preset is missed after just as few moves as when every run is made: generated rigs', () => {
    const count = { fails: 0, holds: 0, open: 0 }
    fc.assert(
      fc.property(lampRigs, (rig) => {
        const { depths, looked } = byForce(rig)
        const told = new Map<string, number>()
        let isOpen = false
        for (const { verdict } of soundsLine(rig, floorMachine(rig))) {
          if (verdict.kind === 'notProven') isOpen = true
          if (verdict.kind !== 'fails' || verdict.fault.kind !== 'soundMissed') continue
          const { claim, soundId } = verdict.fault
          if (claim.kind !== 'preset') continue
          told.set(`${soundId} ${claim.deviceId}`, verdict.moves.length)
          const end = makeMoves(rig, restingStart(rig), verdict.moves).at(-1)!.state
          expect(deviceState(end, claim.deviceId).preset).not.toBe(claim.index)
        }
        if (isOpen) {
          count.open++
          return
        }
        for (const [key, depth] of depths) expect([key, told.get(key)]).toEqual([key, depth])
        for (const [key, moves] of told)
          if (!depths.has(key)) expect([key, moves > looked]).toEqual([key, true])
        if (told.size > 0) count.fails++
        else count.holds++
      }),
      generated(300, 21_2026),
    )
    expect(count.fails).toBeGreaterThan(runs(20))
    expect(count.holds).toBeGreaterThan(runs(100))
    expect(count.open).toBeLessThan(runs(30))
  })
})

describe('presets in banks', () => {
  // CC 0, then CC 32, then the program; bank number = CC 0 x 128 + CC 32 (M1 v4.2.1; from memory). 300 is bank 2, program 43.
  const recall = (presetId: string): Action => ({ kind: 'recallPreset', presetId: onFloor(presetId) })
  const proved = (first: Action[], second: Action[]) => {
    const rig = floorRig(
      { positions: [first] },
      { controller: { keepsSwitches: 0 }, more: [makeSwitch('one', 2, [second])] },
    )
    const low = { ...rig.presets['drowned']!, id: onFloor('low'), index: 43 }
    return { ...rig, presets: { ...rig.presets, low } } as Rig
  }

  it('are recalled in their bank, by a list that chooses it', () => {
    const rig = proved([recall('drowned')], [recall('low')])
    const floor = floorMachine(rig)
    const values = floor.values[floor.indexOf.get('P/reverb')!]!
    expect([...values].sort()).toEqual([299, 43, undefined].sort())
    const undone = [...switchesLine(rig, floor)].filter(({ verdict }) => verdict.kind === 'fails')
    expect(undone).toEqual([])
  })

  it('a sound of one holds, and what must never be so is found as the floor does it', () => {
    const rig = proved([recall('drowned')], [{ kind: 'recallSound', soundId: onFloor('chorus') }])
    const chorus = {
      ...rig.sounds['chorus']!,
      cells: [
        {
          deviceId: onFloor('reverb'),
          cell: { kind: 'preset' as const, presetId: onFloor('drowned'), values: [] },
        },
      ],
    }
    const thing = (presetId: string) => ({
      id: onFloor(`never-${presetId}`),
      order: 1,
      things: [{ kind: 'preset' as const, presetId: onFloor(presetId) }],
    })
    const asked: Rig = {
      ...rig,
      sounds: { ...rig.sounds, chorus },
      nevers: { 'never-drowned': thing('drowned'), 'never-low': thing('low') } as never,
    }
    const lines = [...proofOf(asked)]
    const verdictOf = (id: string) =>
      lines.filter(({ about }) => about.id === id).map(({ verdict }) => verdict.kind)
    expect(verdictOf('never-drowned')).toEqual(['fails'])
    // Nobody ever sends it, and what the box had at power-on nobody knows.
    expect(verdictOf('never-low')).toEqual(['notProven'])
    const sound = lines.filter(({ line, about }) => line === 'sounds' && about.id === 'chorus')
    expect(
      sound.flatMap(({ verdict }) =>
        verdict.kind === 'fails' && verdict.fault.kind === 'soundMissed' ? [verdict] : [],
      ),
    ).toEqual([])
  })
})

describe('ways', () => {
  const ring = (banks: number, isOneWay: boolean) =>
    makeRig({
      controllers: [makeController({ columns: 3, rows: 1, ports: [makePort('out', makeRole('midiOut'))] })],
      banks: Array.from({ length: banks }, (_, n) => makeBank(`b${n}`, n)),
      switches: Array.from({ length: banks }, (_, n) => [
        makeSwitch(`b${n}`, 1, [[{ kind: 'travel', to: 'next', bankId: null } as Action]]),
        ...(isOneWay
          ? []
          : [makeSwitch(`b${n}`, 2, [[{ kind: 'travel', to: 'previous', bankId: null } as Action]])]),
      ]).flat(),
    })
  const home = (rig: Rig) =>
    [...waysLine(rig, floorMachine(rig))].find(({ about }) => about.table === 'banks')!

  it('home is half the ring away where both ways lead round, and the whole of it where one does', () => {
    for (const banks of [2, 3, 5, 8, 30]) {
      expect(home(ring(banks, false)).verdict).toEqual({ kind: 'holds', presses: Math.floor(banks / 2) })
      expect(home(ring(banks, true)).verdict).toEqual({ kind: 'holds', presses: banks - 1 })
    }
  })

  it('there is none from a bank that nothing leads out of', () => {
    const rig = ring(4, true)
    const { 'b2-1': _, ...switches } = rig.switches as never as { [id: string]: never }
    const { verdict } = home({ ...rig, switches })
    if (verdict.kind !== 'fails' || verdict.fault.kind !== 'noHome') throw new Error(verdict.kind)
    // The nearest one from which the foot only comes there.
    expect(verdict.fault.bankId).toBe('b1')
    expect(verdict.moves).toHaveLength(1)
  })
})

/** Switch 1 of bank one with the first list, 2 with the second and so on. */
const floorOfLists = (
  lists: readonly (readonly Action[])[],
  fields: { readonly deafMs?: number } = {},
): Rig =>
  floorRig(
    { positions: [[...lists[0]!]] },
    { ...fields, more: lists.slice(1).map((actions, n) => makeSwitch('one', n + 2, [[...actions]])) },
  )

describe('switches', () => {
  const set = (value: number): Action => ({ kind: 'setControl', controlId: onFloor('on'), value })
  const faultsOf = (lists: readonly (readonly Action[])[]) => {
    const rig = floorOfLists(lists)
    return [...switchesLine(rig, floorMachine(rig))].flatMap(({ verdict, about }) =>
      verdict.kind === 'fails' ? [[rig.switches[about.id]!.number, verdict.fault.kind]] : [],
    )
  }

  it('two that do the same are told of, and not two that differ', () => {
    expect(faultsOf([[set(127)], [set(0)]])).toEqual([])
    expect(faultsOf([[set(127)], [set(0)], [set(127)]])).toEqual([[3, 'twin']])
  })

  it('a preset recalled and left again in one list undoes itself', () => {
    const recall = (presetId: string): Action => ({ kind: 'recallPreset', presetId: onFloor(presetId) })
    const [one, two] = Object.values(floorRig({}).presets).filter(({ deviceId }) => deviceId === 'echo')
    expect(faultsOf([[recall(one!.id), recall(two!.id)], [recall(one!.id)]])).toEqual([[1, 'undone']])
  })
})

describe('pace', () => {
  const lists = (): Action[][] => {
    const [preset] = Object.values(floorRig({}).presets).filter(({ deviceId }) => deviceId === 'echo')
    return [
      [{ kind: 'recallPreset', presetId: preset!.id }],
      [{ kind: 'setControl', controlId: onFloor('on'), value: 127 }],
    ]
  }
  const faultOf = (deafMs: number) => {
    const rig = floorOfLists(lists(), { deafMs })
    const all = [...paceLine(rig, floorMachine(rig))]
    return { rig, fails: all.filter(({ verdict }) => verdict.kind === 'fails') }
  }

  it('holds as long as the device hears again within 150 ms, and says how long to wait where it does not', () => {
    // One program change is two bytes, 640 µs: the device is deaf from then on (31,250 baud, 10 bits a byte; MIDI 1.0).
    for (const deafMs of [20, 100, 149]) expect(faultOf(deafMs).fails).toEqual([])
    for (const deafMs of [151, 250, 400]) {
      const { rig, fails } = faultOf(deafMs)
      expect(fails).toHaveLength(1)
      const [{ verdict }] = fails as [(typeof fails)[number]]
      if (verdict.kind !== 'fails' || verdict.fault.kind !== 'deaf') throw new Error(verdict.kind)
      expect(verdict.fault.safeMs).toBe(deafMs + 1)
      expect(verdict.after).toBe(150_000)
      // Played as feet from power-on it is lost just so, and no more once the foot waits as long as it is told to.
      const isLost = (after: number) => {
        const { steps, length } = stepsOfMoves(rig, restingStart(rig), verdict.moves, after)
        return playSteps(rig, steps, length).wire.some(({ lostBy }) => lostBy.length > 0)
      }
      expect(isLost(150_000)).toBe(true)
      expect(isLost(deafMs * 1000)).toBe(true)
      expect(isLost(verdict.fault.safeMs * 1000)).toBe(false)
    }
  })
})

describe('pace on the way to another bank', () => {
  it('holds what is under the foot there against the step that led there, and not what was left behind', () => {
    const [preset] = Object.values(floorRig({}).presets).filter(({ deviceId }) => deviceId === 'echo')
    const set: Action = { kind: 'setControl', controlId: onFloor('on'), value: 127 }
    const rig = floorRig(
      {
        positions: [
          [
            { kind: 'recallPreset', presetId: preset!.id },
            { kind: 'travel', to: 'bank', bankId: onFloor('two') },
          ],
        ],
      },
      { deafMs: 400, more: [makeSwitch('one', 2, [[set]]), makeSwitch('two', 2, [[set]])] },
    )
    const kinds = new Map(
      [...paceLine(rig, floorMachine(rig))].map(({ about, verdict }) => [about.id, verdict.kind]),
    )
    expect(kinds.get('two-2')).toBe('fails')
    expect(kinds.get('one-2')).toBe('holds')
  })
})

describe('the show', () => {
  it('misses a part only where the run played to its end misses it, and none of a sound that always comes out', () => {
    const count = { fails: 0, holds: 0 }
    fc.assert(
      fc.property(lampRigs, (rig) => {
        const all = [...proofOf(rig)]
        const missed = new Set(
          all.flatMap(({ line, verdict }) =>
            line === 'sounds' && verdict.kind === 'fails' && verdict.fault.kind === 'soundMissed'
              ? [verdict.fault.soundId as string]
              : [],
          ),
        )
        for (const { line, verdict } of all) {
          if (line !== 'show') continue
          if (verdict.kind === 'holds') count.holds++
          if (verdict.kind !== 'fails' || verdict.fault.kind !== 'soundMissed') continue
          count.fails++
          const { claim, soundId } = verdict.fault
          expect([...missed]).toContain(soundId)
          const end = makeMoves(rig, restingStart(rig), verdict.moves).at(-1)!.state
          expect(end.known.sound).toBe(soundId)
          if (claim.kind === 'preset') expect(deviceState(end, claim.deviceId).preset).not.toBe(claim.index)
        }
      }),
      generated(120, 22_2026),
    )
    expect(count.holds).toBeGreaterThan(runs(50))
    expect(count.fails).toBeGreaterThan(runs(5))
  })
})

describe('what is proven', () => {
  it('does not hang on the order in which rows were made', () => {
    const backwards = (rows: object) => Object.fromEntries(Object.entries(rows).reverse())
    const told = (rig: Rig) =>
      [...proofOf(rig)]
        .map(({ line, about, verdict }) =>
          [
            line,
            about.id,
            verdict.kind,
            verdict.kind === 'fails' ? [verdict.fault.kind, verdict.moves.length] : '',
          ].join(),
        )
        .sort()
    const kinds = new Set<string>()
    for (const seed of [1, 2, 3, 4]) {
      const size = { banks: 3, switches: 7, devices: 2, messages: 4, layers: 1 } as const
      const rig = makeProofRig(size, seed)
      const turned = Object.fromEntries(
        Object.entries(rig).map(([table, rows]) => [table, backwards(rows)]),
      ) as unknown as Rig
      const said = told(rig)
      expect(told(turned)).toEqual(said)
      for (const one of said) kinds.add(one.split(',')[2]!)
    }
    expect([...kinds].sort()).toContain('fails')
    expect([...kinds].sort()).toContain('holds')
  })
})

describe('a footswitch that is not read as it is built', () => {
  const rigWith = (action: 'latching' | 'momentary') => {
    const rig = floorOfLists([
      [{ kind: 'setControl', controlId: onFloor('strict'), value: 127 }],
      [{ kind: 'setControl', controlId: onFloor('strict'), value: 0 }],
    ])
    const pedal = rig.devices['pedal' as never] as Device
    const controller = rig.controllers['controller' as never] as Controller
    const plug = makePort('plug', makeRole('switchOut', { by: 'foot', action }))
    const jack = makePort('foot', makeRole('switchIn', { action: 'momentary' }))
    const onJack = makeSwitch(
      'one',
      1,
      [[{ kind: 'setControl', controlId: onFloor('strict'), value: 127 }]],
      {
        jack: 'foot',
      },
    )
    return {
      ...rig,
      devices: { ...rig.devices, pedal: { ...pedal, ports: [plug] } },
      controllers: {
        ...rig.controllers,
        controller: { ...controller, ports: controller.ports.map((one) => (one.id === 'foot' ? jack : one)) },
      },
      switches: { ...rig.switches, [onJack.id]: onJack },
    }
  }
  const lamps = (rig: Rig) =>
    [...proofOf(rig)].filter(({ line }) => line === 'lamps').map(({ verdict }) => verdict.kind)

  it('leaves open what hangs on it, and nothing where it is read right', () => {
    expect(new Set(lamps(rigWith('momentary')))).toEqual(new Set(['holds']))
    expect(new Set(lamps(rigWith('latching')))).toEqual(new Set(['notProven']))
  })
})

describe('what mends a sound', () => {
  it('is offered only where the sound then holds', () => {
    const set = (controlId: string, value: number): Action => ({
      kind: 'setControl',
      controlId: onFloor(controlId),
      value,
    })
    const pad = makeSound('pad', {
      echo: { kind: 'values', values: [{ controlId: onFloor('on'), value: 127 }] },
    })
    const lists = floorOfLists([
      [{ kind: 'recallSound', soundId: pad.id }],
      [set('strict', 127)],
      [set('on', 0)],
    ])
    const rig = { ...lists, sounds: { ...lists.sounds, [pad.id]: pad } }
    const faults = [...soundsLine(rig, floorMachine(rig))].flatMap(({ verdict }) =>
      verdict.kind === 'fails' ? [verdict] : [],
    )
    // Freeze is left where switch 2 put it: two presses show it, and power-on left it otherwise.
    expect(
      faults.map(({ fault, moves }) => [fault.kind === 'soundLeaves' && fault.part, moves.length]),
    ).toEqual([['D/echo/strict', 2]])
    let offered = 0
    for (const one of soundsLine(rig, floorMachine(rig)))
      for (const fix of fixesOf(rig, one)) {
        const after = applyEdit(rig, fix)
        if (!after.ok) throw new Error('refused')
        offered++
        const left = [...soundsLine(after.value, floorMachine(after.value))]
        expect(left.map(({ verdict }) => verdict.kind === 'fails' && verdict.fault)).not.toContainEqual(
          one.verdict.kind === 'fails' && one.verdict.fault,
        )
      }
    expect(offered).toBeGreaterThan(0)
  })
})
