import { describe, expect, it } from 'vitest'
import { playSteps } from '../../core/simulate/run'
import { lampTruth } from '../../core/simulate/lampTruth'
import { slowFindings } from '../../core/check/searched/slow'
import { applyEdit } from '../../core/rig/applyEdit'
import { playedParts, showOn } from '../../core/rig/showOrder'
import { tidewright } from './tidewright'

describe('what is proven of the demo', () => {
  const rig = tidewright()
  const told = (search: ReturnType<typeof slowFindings>) => {
    let step = search.next()
    while (!step.done) step = search.next()
    return step.value
  }
  const { proof, found } = told(slowFindings(rig, 'lies'))

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

  it('holds but for two lamps at the beginning of the second act', () => {
    const faults = proof.proved.flatMap(({ line, about, verdict }) =>
      verdict.kind === 'fails' ? [[line, about.id, verdict.moves.length]] : [],
    )
    expect(faults).toEqual([
      ['lamps', 'storm-2', 5],
      ['lamps', 'storm-4', 4],
    ])
    expect(playedParts(rig, showOn(rig)!).map(({ song }) => song.name)).toContain('The storm')
    const order = showOn(rig)!.songIds.map((id) => rig.songs[id]!.name)
    expect(order.indexOf('The storm')).toBe(order.indexOf("Entr'acte") + 1)
    expect(proof.proved.filter(({ line }) => line === 'checks').map(({ verdict }) => verdict.kind)).toEqual([
      'holds',
      'holds',
    ])
  })

  it('holds from everywhere once the change is made that each of the two offers first', () => {
    const asked = told(slowFindings(rig, 'cures'))
    const cured = asked.found.reduce((now, one) => {
      const [cure] = one.cures ?? []
      const applied = one.code === 'lyingLamp' && cure ? applyEdit(now, cure) : null
      return applied?.ok ? applied.value : now
    }, rig)
    const after = told(slowFindings(cured, 'lies')).proof.proved
    expect(after.length).toBeGreaterThan(100)
    expect(after.filter(({ verdict }) => verdict.kind !== 'holds')).toEqual([])
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
    expect(found.filter(({ code }) => code === 'provenFault')).toEqual([])
  })

  it('home is never further away than four steps, and no sound further than eight', () => {
    const within = proof.proved.flatMap(({ line, about, verdict }) =>
      line === 'ways' && verdict.kind === 'holds' ? [[about.table, verdict.presses!] as const] : [],
    )
    expect(Math.max(...within.map(([, presses]) => presses))).toBe(8)
    expect(within.find(([table]) => table === 'banks')).toEqual(['banks', 4])
  })
})
