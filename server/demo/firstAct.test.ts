import { describe, expect, it } from 'vitest'
import { own } from '#core/base'
import { switchesHere, type Rig } from '#core/rig'
import {
  advance,
  deviceState,
  floorAtPowerOn,
  settle,
  step,
  type FloorState,
  type StepResult,
} from '#core/simulate'
import { wantsOf } from '#core/sound'
import { lampNow } from '#core/switching'
import { tidewright } from './tidewright'

const rig = tidewright()

type Move = 'press' | 'long' | 'double'
/** The first act as it is played: what the foot does, and the sound or bank that is right afterwards. */
const ACT: readonly (readonly [number: number, move: Move, then: string])[] = [
  [1, 'press', 'presets preamp 2, echo 0, reverb 0, relay 0'],
  [2, 'press', 'presets preamp 7, echo 11, reverb 0, relay 1'],
  [3, 'press', 'presets preamp 7, echo 0, reverb 299, relay 1'],
  [6, 'press', 'Storm solo'],
  [7, 'press', 'Lantern pad'],
  [5, 'long', 'layer shift'],
  [1, 'press', 'Verse, dry'],
  [6, 'long', 'Verse, dry'],
  [2, 'press', 'Verse, pushed'],
  [5, 'long', 'layer base'],
  [5, 'press', 'bank undertow'],
  [6, 'press', 'Swell, doubled'],
  [3, 'press', 'Finale'],
  [4, 'press', 'bank storm'],
  [1, 'press', 'Storm solo'],
  [3, 'press', 'Chorus, drive'],
  [8, 'press', 'bank storm2'],
  [6, 'press', 'bank storm2'],
  [2, 'press', 'Lantern pad'],
  [8, 'press', 'bank storm'],
  [5, 'press', 'bank storm2'],
  [5, 'press', 'bank entracte'],
  [6, 'press', 'bank entracte'],
  [1, 'press', "Entr'acte walk"],
  [2, 'press', 'Pizzicato'],
  [5, 'double', 'bank menders'],
  [8, 'press', 'Blackout'],
]

const HOW_LONG: Record<Move, number> = { press: 90_000, long: 900_000, double: 90_000 }
const BETWEEN = 2_000_000

function make(state: FloorState, number: number, move: Move): StepResult[] {
  const { bankId, layer } = state.known
  const footswitch = switchesHere(rig, bankId!, layer).get(`/${number}`)
  if (!footswitch) throw new Error(`Nothing under ${number} in ${bankId}, ${layer}`)
  const results: StepResult[] = []
  let at = state.at + BETWEEN
  let now = state
  for (let feet = move === 'double' ? 2 : 1; feet > 0; feet--) {
    for (const kind of ['press', 'release'] as const) {
      results.push(step(rig, now, { kind, switchId: footswitch.id, at }))
      now = results.at(-1)!.state
      at += kind === 'press' ? HOW_LONG[move] : 100_000
    }
  }
  results.push(advance(rig, now, at + 500_000))
  results.push(settle(rig, results.at(-1)!.state))
  return results
}

/** What a sound wants and a device is not; empty when it is as it should be. */
function wrongIn(one: Rig, state: FloorState, name: string): string[] {
  const sound = Object.values(one.sounds).find((candidate) => candidate.name === name)!
  return [...wantsOf(one, sound)].flatMap(([id, want]) => {
    if (want.kind !== 'be') return []
    const now = deviceState(state, id)
    return [
      ...(want.preset !== null && now.preset !== want.preset ? [`${id} preset ${now.preset}`] : []),
      ...[...want.holds].flatMap(([controlId, value]) =>
        own(now.controls, controlId) === value ? [] : [`${controlId} ${own(now.controls, controlId)}`],
      ),
      ...want.contacts.flatMap(({ contact, isClosed }) =>
        own(now.contacts, contact.id) === isClosed ? [] : [`${id} contact ${contact.id}`],
      ),
    ]
  })
}

describe('the first act of the demo', () => {
  it('is played through without a wrong state', () => {
    let state = floorAtPowerOn(rig)
    for (const [number, move, then] of ACT) {
      const results = make(state, number, move)
      state = results.at(-1)!.state
      const said = `${number} ${move}, then ${then}`
      const wire = results.flatMap((one) => one.wire)
      expect([said, wire.flatMap(({ lostBy }) => lostBy)]).toEqual([said, []])
      expect([said, Object.values(state.devices).map(({ refused }) => refused)]).toEqual([
        said,
        Object.values(state.devices).map(() => null),
      ])
      const [kind = '', what = ''] = /^(bank|layer|presets) (.*)$/.exec(then)?.slice(1) ?? []
      if (kind === 'bank') expect([said, state.known.bankId]).toEqual([said, what])
      else if (kind === 'layer') expect([said, state.known.layer]).toEqual([said, what])
      else if (kind === 'presets')
        expect([said, what]).toEqual([
          said,
          what
            .split(', ')
            .map((part) => part.split(' ')[0]!)
            .map((id) => `${id} ${deviceState(state, id).preset}`)
            .join(', '),
        ])
      else {
        expect([said, wrongIn(rig, state, then)]).toEqual([said, []])
        // And the lamps say which it is: no switch that recalls another sound is lit.
        const { bankId, layer } = state.known
        for (const footswitch of switchesHere(rig, bankId!, layer).values()) {
          const [action] = footswitch.positions[0]!
          if (action?.kind !== 'recallSound' || footswitch.group !== '') continue
          const isIt = rig.sounds[action.soundId]!.name === then
          expect([said, footswitch.id, lampNow(rig, footswitch, state.known).light]).toEqual([
            said,
            footswitch.id,
            isIt ? 'steady' : 'off',
          ])
        }
      }
    }
  })

  it('uses every kind of action and everything a foot can do', () => {
    const used = new Set(JSON.stringify(rig).match(/"kind":"[a-zA-Z]+"/g))
    for (const kind of [
      ...['recallSound', 'recallPreset', 'stepPreset', 'setControl', 'alternateControl', 'stepControl'],
      ...['sweepControl', 'scene', 'note', 'raw', 'wait', 'contact', 'tap', 'tempo', 'clock', 'tuner'],
      ...['looper', 'travel', 'layer', 'macro', 'allOff', 'resync'],
    ])
      expect(used).toContain(`"kind":"${kind}"`)
    const rows = Object.values(rig.switches)
    for (const event of ['release', 'longPress', 'doublePress'] as const)
      expect(rows.some((row) => row[event].length > 0)).toBe(true)
    expect(Object.keys(rig.banks).length).toBeGreaterThanOrEqual(6)
  })
})
