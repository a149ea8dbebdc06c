import { describe, expect, it } from 'vitest'
import { playSteps } from '../../core/simulate/run'
import { lampTruth } from '../../core/simulate/lampTruth'
import { slowFindings } from '../../core/check/slow'
import { tidewright } from './tidewright'

describe('what is proven of the demo', () => {
  const rig = tidewright()
  const search = slowFindings(rig, 'lies')
  let step = search.next()
  while (!step.done) step = search.next()
  const { proof, found } = step.value

  it('is known of everything', () => {
    expect(proof.proved.filter(({ verdict }) => verdict.kind === 'notProven')).toEqual([])
    const lines = proof.proved.map(({ line }) => line)
    const count = (line: string) => lines.filter((one) => one === line).length
    // Each sound at least once, and home besides; every switch.
    expect(count('sounds')).toBeGreaterThanOrEqual(Object.keys(rig.sounds).length)
    expect(count('ways')).toBe(Object.keys(rig.sounds).length + 1)
    expect(count('switches')).toBe(Object.keys(rig.switches).length)
    expect(count('lamps')).toBeGreaterThan(40)
    // Every part of the show comes out, also after one wrong step.
    expect(count('show')).toBe(Object.keys(rig.parts).length)
  })

  it('holds but for one sound that leaves the preamp as it finds it, and two lamps of the storm', () => {
    const faults = proof.proved.flatMap(({ line, about, verdict }) =>
      verdict.kind === 'fails' ? [[line, about.id, verdict.moves.length]] : [],
    )
    expect(faults).toEqual([
      ['sounds', 'sound-2', 5],
      ['sounds', 'sound-2', 3],
      ['sounds', 'sound-2', 3],
      ['lamps', 'storm-2', 5],
      ['lamps', 'storm-4', 4],
    ])
  })

  it('each run, played as feet from power-on, shows what it is for', () => {
    let lamps = 0
    for (const one of found) {
      if (one.code !== 'lyingLamp') continue
      const { state } = playSteps(rig, one.facts.steps, one.facts.length)
      expect(lampTruth(rig, rig.switches[one.about.id]!, state)?.verdict).toBe('lies')
      lamps++
    }
    expect(lamps).toBe(2)
    const kept = found.filter(({ code }) => code === 'provenFault')
    expect(kept).toHaveLength(3)
  })

  it('home is never further away than four steps, and no sound further than eight', () => {
    const within = proof.proved.flatMap(({ line, about, verdict }) =>
      line === 'ways' && verdict.kind === 'holds' ? [[about.table, verdict.presses!] as const] : [],
    )
    expect(Math.max(...within.map(([, presses]) => presses))).toBe(8)
    expect(within.find(([table]) => table === 'banks')).toEqual(['banks', 4])
  })
})
