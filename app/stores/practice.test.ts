import { describe, expect, it } from 'vitest'
import { own } from '#core/base'
import { callable, showCalls } from '#core/practice'
import type { Rig } from '#core/rig'
import { makeShowRig } from '../../core/show/testing/makeShowRig'
import { makeOpenFloor } from './testing/makeOpenFloor'
import { usePracticeStore } from './practice'
import { useRigStore } from './rig'

async function practising(rig: Rig) {
  const open = await makeOpenFloor(rig)
  return { ...open, rigs: useRigStore(), practice: usePracticeStore() }
}
/** The foot on the switch of a sound, wherever it is. */
function stepOn({ floor, clock }: Awaited<ReturnType<typeof practising>>, rig: Rig, soundId: string): void {
  const one = Object.values(rig.switches).find(
    ({ positions }) => positions[0]![0]?.kind === 'recallSound' && positions[0]![0].soundId === soundId,
  )!
  floor.goToBank(one.bankId)
  floor.pressPlace(`${one.jack}/${one.number}`)
  clock.advance(80)
  floor.releasePlace(`${one.jack}/${one.number}`)
}

/** The first generated rig with sounds enough. */
const rig = Array.from({ length: 40 }, (_, n) => makeShowRig(n + 1)).find(
  (one) => callable(one).length >= 5 && showCalls(one).length >= 4,
)!

describe('a round of practice', () => {
  it('goes through the show, times each call, counts wrong steps, and is put to today in one edit', async () => {
    const open = await practising(rig)
    const { practice, clock, rigs } = open
    const parts = showCalls(rig)
    expect(parts.length).toBeGreaterThan(2)
    practice.order = 'show'
    practice.start()
    expect(practice.total).toBe(parts.length)
    for (const [n, { soundId }] of parts.entries()) {
      expect(practice.call?.soundId).toBe(soundId)
      clock.advance(500)
      if (n === 1) {
        const other = callable(rig).find((id) => id !== soundId && id !== parts[0]!.soundId)!
        stepOn(open, rig, other)
        expect([practice.verdict, practice.playedInstead]).toEqual(['wrong', other])
      }
      stepOn(open, rig, soundId!)
      expect(practice.answers.length).toBe(n + 1)
      expect(practice.answers[n]!.ms).toBeGreaterThanOrEqual(500)
      expect(practice.answers[n]!.ms).toBeLessThan(900)
      clock.advance(800)
    }
    expect(practice.isRunning).toBe(false)
    const [day] = Object.values(rigs.rig!.practices)
    expect(day).toMatchObject({ calls: parts.length, misses: 1, wrongSteps: 1, found: parts.length })
    expect(rigs.pending.length + rigs.revision).toBeGreaterThan(1)
    // A second round, other way round: the count is the new one's.
    practice.order = 'random'
    practice.calls = 5
    practice.start()
    expect(practice.total).toBe(5)
    practice.giveUp()
    expect(practice.givenUp?.moves.length).toBeGreaterThan(0)
    practice.goOn()
    practice.finish()
    expect(Object.values(rigs.rig!.practices)).toMatchObject([{ calls: parts.length + 1, misses: 2 }])
  })

  it('says nothing of steps while nothing is called, ends without a trace where nothing was answered', async () => {
    const open = await practising(rig)
    const { practice, rigs } = open
    stepOn(open, rig, callable(rig)[0]!)
    expect([practice.verdict, practice.answers]).toEqual([null, []])
    practice.start()
    practice.finish()
    expect(rigs.rig!.practices).toEqual({})
    expect(practice.isRunning).toBe(false)
    // A foot that comes off is no step.
    practice.start()
    const called = practice.call!.soundId
    expect(own(rig.sounds, called)).toBeDefined()
    open.floor.releaseAll()
    expect(practice.call?.wrongSteps).toBe(0)
  })
})
