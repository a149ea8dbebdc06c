import { describe, expect, it } from 'vitest'
import type { Rig } from '#core/rig'
import { guide, type Question } from '#core/setup'
import { makeDevice, makeRig, smallRig } from '../../core/rig/testing/makeRig'
import { questionText, verdictText } from './guide'

const stateOf = (rig: Rig, answers: object = {}) => guide(rig, [], 'echo' as never, answers)
const ALL: readonly Question[] = [
  'isControllerOn',
  'isOn',
  'isFed',
  'doesEarlierReact',
  'doesLampBlink',
  'isChannelSet',
  'doesReceive',
  'isSaved',
  'isPresetThere',
]

describe('"Why is nothing happening?" in words', () => {
  const { facts } = stateOf(smallRig())

  it('asks in plain questions, each of them once', () => {
    const asked = ALL.map((question) => questionText(question, facts))
    for (const one of asked) expect(one).toMatch(/\?$/)
    expect(new Set(asked).size).toBe(ALL.length)
    expect(questionText('isControllerOn', facts)).toBe(
      'Step on Chorus (One, switch 2). Does Foot controller show it, by its lamp or its display?',
    )
    expect(questionText('isOn', facts)).toBe('Are preamp and echo switched on?')
  })

  it('says which press or gesture it takes', () => {
    const attempt = facts.attempt!
    const said = (fields: object) =>
      questionText('doesLampBlink', { ...facts, attempt: { ...attempt, ...fields } })
    expect(said({ press: 2 })).toContain('Step on Chorus (One, switch 2) 2 times.')
    expect(said({ gesture: 'longPress' })).toContain('and hold it down.')
    expect(said({ gesture: 'doublePress' })).toContain('twice, quickly.')
    expect(said({ label: '' })).toContain('Step on One, switch 2.')
  })

  it('asks after the supply that is drawn, and after any where none is', () => {
    expect(questionText('isFed', { ...facts, feeder: 'Supply, Outlet 1' })).toContain('from Supply, Outlet 1')
    expect(questionText('isFed', facts)).toContain('Nothing feeds echo in this plan.')
  })

  it('says of every "no" what to do', () => {
    for (const question of ALL)
      expect(verdictText({ kind: 'answer', question }, facts)).toMatch(/^[A-Z].{20,}\.$/s)
  })

  it('never calls right what nobody could tell', () => {
    const open = verdictText({ kind: 'open', questions: ['doesLampBlink', 'isSaved'] }, facts)
    expect(open).toContain('not known to be right')
    expect(open).toContain('Was the switch saved')
    expect(verdictText({ kind: 'beyond' }, facts)).toContain('are right')
  })

  it('says when nothing is asked of a device, or nobody asks', () => {
    const alone = makeRig({ devices: [makeDevice('echo', 1)] })
    const asked = stateOf(alone)
    expect(verdictText(asked.verdict!, asked.facts)).toContain('No switch asks anything of echo yet.')
    const none = stateOf(makeRig({ controllers: [], devices: [makeDevice('echo', 1)] }))
    expect(verdictText(none.verdict!, none.facts)).toBe('There is no foot controller in this rig.')
  })
})
