import { own } from '#core/base'
import { perTables, FLOOR_TABLES, inOrder, type Rig, isProgrammed } from '#core/rig'
import { restingStart, goesBack, PROOF_LINES, type Proved, type ProofLine } from '#core/prove'
import { spokenCells, usedBy } from '#core/sound'
import type { Finding } from '../findings'

/** Kinds of things a line of the proof does not look at, though the rig has them. */
export const NOT_LOOKED = ['controllers', 'unrecalled', 'pedals', 'backTwice', 'tempo', 'loops'] as const

/** What the proof does not look at, by name. */
export type NotLooked = (typeof NOT_LOOKED)[number]

const LINES: Readonly<Record<NotLooked, readonly ProofLine[]>> = {
  /** Switches of another controller than the one that is stepped on. */
  controllers: PROOF_LINES,
  /** Sounds that no switch recalls. */
  unrecalled: ['sounds'],
  /** What a pedal leads: pedals are not moved. */
  pedals: ['sounds', 'lamps', 'show'],
  /** Going back more than once in a row. */
  backTwice: ['checks', 'sounds', 'lamps', 'show', 'ways', 'switches'],
  tempo: ['sounds', 'show'],
  loops: ['sounds', 'show'],
}

/** What of a rig the proof leaves out, whatever comes of it. */
const leftOut = perTables([...FLOOR_TABLES, 'pedals', 'songs'], (rig: Rig): ReadonlySet<NotLooked> => {
  const stepped = own(rig.banks, restingStart(rig).known.bankId ?? '')?.controllerId
  const others = Object.values(rig.switches).some(
    (one) => isProgrammed(one) && own(rig.banks, one.bankId)?.controllerId !== stepped,
  )
  const leads = Object.values(rig.pedals).some(({ roles }) => roles.some(({ targets }) => targets.length > 0))
  const devices = Object.values(rig.devices)
  return new Set<NotLooked>([
    ...(others ? (['controllers'] as const) : []),
    ...(leads ? (['pedals'] as const) : []),
    ...(goesBack(rig) ? (['backTwice'] as const) : []),
    ...(Object.keys(rig.songs).length > 0 || devices.some(({ tapIn }) => tapIn) ? (['tempo'] as const) : []),
    ...(devices.some(({ looper }) => looper) ? (['loops'] as const) : []),
  ])
})

/** One line of the proof with all that is known of it. What has an error finding beside it does not hold. */
export interface LineReport {
  readonly line: ProofLine
  readonly holds: readonly Proved[]
  readonly open: readonly Proved[]
  /** How many things it was asked of fail: by a run, or by an error beside them. */
  readonly fails: number
  /** Errors beside what it was asked of, each once. */
  readonly errors: readonly Finding[]
  readonly notLooked: readonly NotLooked[]
}

/** The lines of a proof held against what else was found. `proved` as far as it was looked at yet. */
export function proofReport(rig: Rig, proved: readonly Proved[], found: readonly Finding[]): LineReport[] {
  const errors = found.filter(({ severity }) => severity === 'error').map((one) => besides(rig, one))
  const asked = new Set(proved.flatMap(({ line, about }) => (line === 'sounds' ? [about.id] : [])))
  const isUnrecalled = inOrder(rig.sounds).some(({ id }) => !asked.has(id))
  return PROOF_LINES.map((line): LineReport => {
    const ours = proved.filter((one) => one.line === line)
    const against = errors.filter(({ rows }) => ours.some((one) => rows.has(rowOf(rig, one))))
    const isHit = (one: Proved) => against.some(({ rows }) => rows.has(rowOf(rig, one)))
    const isFailed = (one: Proved) => one.verdict.kind === 'fails' || isHit(one)
    const rest = ours.filter((one) => !isFailed(one))
    return {
      line,
      holds: rest.filter(({ verdict }) => verdict.kind === 'holds'),
      open: rest.filter(({ verdict }) => verdict.kind === 'notProven'),
      fails: ours.filter(isFailed).length,
      errors: against.map(({ finding }) => finding),
      notLooked: NOT_LOOKED.filter(
        (one) => LINES[one].includes(line) && (one === 'unrecalled' ? isUnrecalled : leftOut(rig).has(one)),
      ),
    }
  })
}

/** What an error beside a row is held against: the sound, part or switch a line was asked of. Ways and pace hang on none of it. */
function rowOf(rig: Rig, { line, about }: Proved): string {
  if (line === 'ways' || line === 'pace' || line === 'checks') return ''
  return about.table === 'parts'
    ? `sounds/${own(rig.parts, about.id)?.soundId ?? ''}`
    : `${about.table}/${about.id}`
}

/** The sounds and switches an error is about, itself or by way of what it is about. */
function besides(
  rig: Rig,
  finding: Finding,
): { readonly finding: Finding; readonly rows: ReadonlySet<string> } {
  const { table, id, field = '' } = finding.about
  const users = (of: 'devices' | 'presets' | 'controls' | 'pairs', row: string) => {
    const { sounds, switches } = usedBy(rig, of, row)
    return [...sounds.map((one) => `sounds/${one.id}`), ...switches.map((one) => `switches/${one.id}`)]
  }
  const rows = (): readonly string[] => {
    switch (table) {
      case 'sounds':
        return withCell(rig, id, field).map((one) => `sounds/${one}`)
      case 'switches':
        return [`switches/${id}`]
      case 'devices':
      case 'presets':
      case 'controls':
      case 'pairs':
        return users(table, id)
      case 'cables': {
        const cable = own(rig.cables, id)
        const ends = cable ? [cable.from, cable.to] : []
        return ends.flatMap((end) => (end.table === 'devices' ? users('devices', end.id) : []))
      }
      default:
        return []
    }
  }
  return { finding, rows: new Set(rows()) }
}

/** A sound, and those that inherit the cell of it that is spoken of ("cells.echo"); all of its own where none is. */
function withCell(rig: Rig, id: string, field: string): string[] {
  const sound = own(rig.sounds, id)
  const deviceId = /^cells\.(.+)$/.exec(field)?.[1]
  const cell =
    sound && deviceId === undefined ? undefined : sound?.cells.find((one) => one.deviceId === deviceId)?.cell
  if (cell === undefined) return [id]
  return inOrder(rig.sounds).flatMap((one) =>
    one.id === id || [...spokenCells(rig, one)].some(([of, said]) => of === deviceId && said.cell === cell)
      ? [one.id]
      : [],
  )
}
