import { describe, expect, it } from 'vitest'
import { applyEdit } from '../rig/applyEdit'
import { editRow } from '../rig/edits/editRow'
import { makeSwitch } from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import type { Action } from '../rig/table/action'
import { slowFindings } from '../check/searched/slow'
import { floorRig, onFloor } from '../simulate/testing/makeFloor'
import { curesOf } from './cures'
import { lampVerdict, type LampLie } from './lampLies'

const done = (rig: Rig, edit: ReturnType<typeof editRow>): Rig => {
  const after = applyEdit(rig, edit!)
  if (!after.ok) throw new Error(JSON.stringify(after.refusal))
  return after.value
}

/** Echo on and off with one switch, and a preset on the next that has it off: the lamp lies after both (common practice). */
function resetByRecall(one: readonly Action[]): Rig {
  const recall: Action = { kind: 'recallPreset', presetId: onFloor('dotted') }
  const rig = floorRig({ positions: [[...one]] }, { more: [makeSwitch('one', 2, [[recall]])] })
  const recalls = [{ controlId: onFloor('on'), value: 0 }]
  return done(rig, editRow(rig, 'changePreset', 'presets', 'dotted', { recalls: recalls as never }))
}

const lieOf = (rig: Rig): LampLie => {
  const verdict = lampVerdict(rig, rig.switches['one-1']!)
  if (verdict.kind !== 'lies') throw new Error(verdict.kind)
  return verdict.lie
}

describe('the cures of a lamp that can lie', () => {
  const alternating = resetByRecall([{ kind: 'alternateControl', controlId: onFloor('on'), a: 127, b: 0 }])

  it('are offered for a block that a recall resets: a recall that sets it, a resync, on and off apart, a dark lamp', () => {
    const lie = lieOf(alternating)
    expect(lie.moves.map((move) => move.kind !== 'bank' && [move.kind, move.number])).toEqual([
      ['press', 1],
      ['press', 2],
    ])
    const cures = curesOf(alternating, lie)
    expect(cures.map(({ label }) => label)).toEqual([
      'setAfterRecall',
      'resyncAfterRecall',
      'makeAbsolute',
      'noLamp',
    ])
    for (const cure of cures) {
      const cured = done(alternating, cure)
      expect([cure.label, lampVerdict(cured, cured.switches['one-1']!).kind]).toEqual([cure.label, 'holds'])
    }
  })

  it('for a device that changes over at each message the lamp counts the presses', () => {
    const rig = floorRig({ positions: [[{ kind: 'setControl', controlId: onFloor('turns'), value: 127 }]] })
    const [first] = curesOf(rig, lieOf(rig))
    expect(first?.label).toBe('countPresses')
    const cured = done(rig, first!)
    expect(cured.switches['one-1']!.positions).toHaveLength(2)
    expect(lampVerdict(cured, cured.switches['one-1']!).kind).toBe('holds')
  })

  it('what is on by itself at power-on is sent at power-on', () => {
    const own = resetByRecall([{ kind: 'alternateControl', controlId: onFloor('on'), a: 127, b: 0 }])
    const begun = done(own, editRow(own, 'changeDevice', 'devices', 'echo', { powerOn: 12 }))
    const recalls = [{ controlId: onFloor('on'), value: 127 }]
    const rig = done(begun, editRow(begun, 'changePreset', 'presets', 'long', { recalls: recalls as never }))
    const lie = lieOf(rig)
    // Dark from the first moment, with the echo on.
    expect([lie.moves, lie.isLit]).toEqual([[], false])
  })

  it('come with the finding that says the lamp can lie', () => {
    const search = slowFindings(alternating, 'cures')
    let step = search.next()
    while (!step.done) step = search.next()
    const found = step.value.found.find(({ code }) => code === 'lyingLamp')
    expect(found).toMatchObject({ code: 'lyingLamp', about: { table: 'switches', id: 'one-1' } })
    expect(found?.cures?.[0]).toBe(found?.fix)
    expect(found?.cures).toHaveLength(4)
  })
})
