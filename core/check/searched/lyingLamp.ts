import { own } from '#core/base'
import type { Rig, RunStep, Footswitch } from '#core/rig'
import { switchName } from '#core/sound'
import type { Claim } from '#core/switching'
import {
  curesOf,
  type LampLie,
  makeMoves,
  restingStart,
  stepsOfMoves,
  switchOfMove,
  type CalmMove,
} from '#core/prove'
import type { FindingOf } from '../finding'

/** One move of a run, with what is under the foot then. */
export interface MoveTold {
  readonly kind: CalmMove['kind']
  /** The number of the switch on the controller, or on the jack it is plugged into; null for turning banks. */
  readonly number: number | null
  readonly jack: string
  readonly name: string
  /** The bank it is made in, as the controller shows it, with its name. */
  readonly bank: string
}

/** A lamp that can say the contrary of what is, with the presses after which it does. */
export type LyingLamp = FindingOf<
  'lyingLamp',
  {
    readonly switch: string
    /** What the lamp says at the end of the run. */
    readonly isLit: boolean
    /** What speaks against it. */
    readonly claim: Claim
    /** Whether fewer steps cannot show it. */
    readonly isFewest: boolean
    readonly device: string
    readonly control: string
  } & RunTold
>

/** A run of moves from power-on in words. */
export interface RunTold {
  readonly moves: readonly MoveTold[]
  /** The same as feet with times, and how long that is in µs. */
  readonly steps: readonly RunStep[]
  readonly length: number
}

/** `after`: so many µs the last move follows the one before it; null where each waits for what came of the one before. */
export const runTold = (rig: Rig, moves: readonly CalmMove[], after: number | null = null): RunTold => ({
  moves: told(rig, moves),
  ...stepsOfMoves(rig, restingStart(rig), moves, after),
})

/** A lamp that can say the contrary of what is, the fewest presses that make it, and proven cures. */
export function lyingLamp(rig: Rig, lie: LampLie, withCures: boolean): LyingLamp {
  const { claim, moves, isLit, switchId, isFewest } = lie
  const footswitch = own(rig.switches, switchId)!
  const control = 'controlId' in claim ? own(rig.controls, claim.controlId) : undefined
  const deviceId = 'deviceId' in claim ? claim.deviceId : (control?.deviceId ?? '')
  const cures = withCures ? curesOf(rig, lie) : []
  const [fix] = cures
  return {
    code: 'lyingLamp',
    severity: 'warning',
    about: { table: 'switches', id: switchId },
    facts: {
      switch: switchNameOf(rig, footswitch),
      isLit,
      claim,
      isFewest,
      device: own(rig.devices, deviceId)?.name ?? '',
      control: control?.name ?? '',
      ...runTold(rig, moves),
    },
    ...(fix && { fix, cures }),
  }
}

const controllerOf = (rig: Rig, { bankId }: Footswitch) =>
  own(rig.controllers, own(rig.banks, bankId)?.controllerId ?? '')

/** What a switch is called, or its number. */
export function switchNameOf(rig: Rig, footswitch: Footswitch): string {
  const controller = controllerOf(rig, footswitch)
  return (controller && switchName(rig, footswitch, controller)) || `switch ${footswitch.number}`
}

function told(rig: Rig, moves: readonly CalmMove[]): MoveTold[] {
  const start = restingStart(rig)
  const results = makeMoves(rig, start, moves)
  return moves.map((move, n): MoveTold => {
    const before = n === 0 ? start : results[n - 1]!.state
    const under = switchOfMove(rig, before, move)
    const bank = own(rig.banks, before.known.bankId ?? '')
    const first = own(rig.controllers, bank?.controllerId ?? '')?.firstBank ?? 1
    return {
      kind: move.kind,
      number: move.kind === 'bank' ? null : move.number,
      jack: move.kind === 'bank' ? '' : move.jack,
      name: under ? switchNameOf(rig, under) : '',
      bank: bank ? `${bank.index + first} ${bank.name}`.trim() : '',
    }
  })
}
