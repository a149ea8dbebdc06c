import type { Rig } from '#core/rig'
import { checksLine } from './checksLine'
import { floorMachine } from './floorMachine'
import { ledByPedals } from './ledByPedals'
import { claimsOfLamp, lampsToProve, lampVerdict } from './lampLies'
import { paceLine } from './paceLine'
import type { Proved } from './proved'
import { showLine } from './showLine'
import { soundsLine } from './soundsLine'
import { switchesLine } from './switchesLine'
import { waysLine } from './waysLine'

/** All that is proven of a rig, one thing after the other, what is worst when it fails first. */
export function* proofOf(rig: Rig): Generator<Proved> {
  const floor = floorMachine(rig)
  yield* checksLine(rig, floor)
  const soundSo = new Map<string, 'holds' | 'fails' | 'open'>()
  for (const one of soundsLine(rig, floor)) {
    const { id } = one.about
    const so = soundSo.get(id) ?? 'holds'
    // What a sound leaves as it is, is not what it says.
    const isMissed = one.verdict.kind === 'fails' && one.verdict.fault.kind === 'soundMissed'
    soundSo.set(id, isMissed ? 'fails' : one.verdict.kind === 'notProven' && so === 'holds' ? 'open' : so)
    yield one
  }
  yield* lampsLine(rig)
  yield* paceLine(rig, floor)
  yield* showLine(rig, floor, soundSo)
  yield* waysLine(rig, floor)
  yield* switchesLine(rig, floor)
}

/** Each lamp that says something of devices: that it never says the contrary of what is. */
function* lampsLine(rig: Rig): Generator<Proved> {
  for (const footswitch of lampsToProve(rig)) {
    const about = { table: 'switches', id: footswitch.id } as const
    const verdict = lampVerdict(rig, footswitch)
    // What a pedal does in a jack of the device itself, no lamp knows.
    const isUnheard = claimsOfLamp(rig, footswitch).some(
      (claim) => 'controlId' in claim && ledByPedals(rig).get(claim.controlId)?.isUnheard,
    )
    if (verdict.kind === 'holds' && isUnheard)
      yield { line: 'lamps', about, verdict: { kind: 'notProven', why: 'pedal' } }
    else if (verdict.kind === 'holds') yield { line: 'lamps', about, verdict }
    else if (verdict.kind === 'unknown')
      yield { line: 'lamps', about, verdict: { kind: 'notProven', why: 'tooMany', atLeast: verdict.atLeast } }
    else {
      const { moves, ...lie } = verdict.lie
      const fault = { kind: 'lampLies', ...lie } as const
      yield { line: 'lamps', about, verdict: { kind: 'fails', fault, moves, after: null } }
    }
  }
}

/** In how many ways the floor of a rig can be at most: places by all that each part can hold, as a power of ten. */
export function waysToBe(rig: Rig): number {
  const { machine } = floorMachine(rig)
  return machine.sizes.reduce(
    (sum, size) => sum + Math.log10(size),
    Math.log10(Math.max(1, machine.moves.length)),
  )
}
