import { dequal } from 'dequal/lite'
import {
  boxes,
  cablesIn,
  partnersAmong,
  type Box,
  needsCross,
  applyEdit,
  editRow,
  joinEdits,
  cableBetween,
  layCable,
  moveCable,
  removeRow,
  alterRole,
  endOf,
  type Edit,
  type Rig,
  type CableEnd,
  type CableId,
  type Device,
  type Pedal,
  roleOf,
  type Port,
  type Role,
  type RoleKind,
  type RoleOf,
} from '#core/rig'
import { own } from '#core/base'

/** Something of a pedal that is plugged in: its sweep, or its toe switch. */
export type FootPart = 'sweep' | 'toe'

/** What a jack costs beside being taken. */
export type JackCost =
  /** It must be set to another role than the one it has. */
  | { readonly kind: 'role'; readonly from: RoleKind; readonly to: RoleKind }
  /** Tip and ring must be crossed on the way. */
  | { readonly kind: 'cross' }
  /** The jack must be told how the contact rests. */
  | { readonly kind: 'rest'; readonly to: 'open' | 'closed' }

/** A jack a pedal or footswitch is plugged in, and how it must be set. */
export interface PlannedJack {
  readonly end: CableEnd
  readonly box: string
  readonly jack: string
  readonly costs: readonly JackCost[]
}

/** One way to plug a pedal in. */
export interface Arrangement {
  readonly sweep: PlannedJack
  /** Null where the toe switch is left out, or there is none. */
  readonly toe: PlannedJack | null
  /** As it is plugged in now. */
  readonly isNow: boolean
}

/** Why a jack that could take a part of the pedal does not. */
export interface RefusedJack {
  readonly part: FootPart
  readonly box: string
  readonly jack: string
  /** Something else is in it; it wants a switch that springs back, or stays; it asks for two contacts, or has one for two. */
  readonly why: 'taken' | 'action' | 'poles'
  /** What is in it. */
  readonly by: string
}

export interface InputPlan {
  readonly arrangements: readonly Arrangement[]
  readonly refused: readonly RefusedJack[]
}

/** The jacks of a pedal: what its sweep and its toe switch come out of; null for one it does not have. */
export const footJacks = (pedal: Device): { readonly sweep: Port | null; readonly toe: Port | null } => ({
  sweep: pedal.ports.find((port) => port.roles.some(({ kind }) => kind === 'expressionOut')) ?? null,
  toe: pedal.ports.find((port) => port.roles.some(({ kind }) => kind === 'switchOut')) ?? null,
})

/**
 * Every way to plug a pedal in so that it works, and why other jacks do not take it. What is plugged in elsewhere stays;
 * the pedal's own cables are taken out first. Both at a controller come first, then what is split, then devices' own jacks.
 */
export function inputPlan(rig: Rig, pedal: Device): InputPlan {
  const jacks = footJacks(pedal)
  const refused: RefusedJack[] = []
  const sweeps = jacks.sweep ? jacksFor(rig, pedal, jacks.sweep, 'sweep', refused) : []
  const toes = jacks.toe ? jacksFor(rig, pedal, jacks.toe, 'toe', refused) : []
  const now = { sweep: endNow(rig, pedal, jacks.sweep), toe: endNow(rig, pedal, jacks.toe) }
  const arrangements = sweeps.flatMap((sweep) =>
    [...toes.filter((toe) => !isSameJack(toe.end, sweep.end)), null].map((toe): Arrangement => ({
      sweep,
      toe,
      isNow: isSameEnd(now.sweep, sweep.end) && isSameEnd(now.toe, toe?.end ?? null),
    })),
  )
  return { arrangements: arrangements.sort((a, b) => rank(a) - rank(b)), refused }
}

const isSameJack = (a: CableEnd, b: CableEnd): boolean => a.id === b.id && a.port === b.port
const isSameEnd = (a: CableEnd | null, b: CableEnd | null): boolean =>
  a === null || b === null ? a === b : isSameJack(a, b)

/** The order they are shown in. */
function rank({ sweep, toe }: Arrangement): number {
  const place = (end: CableEnd) => (end.table === 'controllers' ? 0 : 1)
  const away = toe === null ? 8 : 0
  const apart = toe && toe.end.id !== sweep.end.id ? 1 : 0
  const costs = [sweep, ...(toe ? [toe] : [])].reduce((sum, { costs: one }) => sum + one.length, 0)
  return away + place(sweep.end) * 4 + (toe ? place(toe.end) * 2 : 0) + apart + costs / 100
}

/** Where a jack of the pedal leads now. */
function endNow(rig: Rig, pedal: Device, port: Port | null): CableEnd | null {
  const [link] = port ? cablesIn(rig, pedal.id, port.id) : []
  if (!link) return null
  return link.from.end.id === pedal.id ? link.to.end : link.from.end
}

function jacksFor(
  rig: Rig,
  pedal: Device,
  mine: Port,
  part: FootPart,
  refused: RefusedJack[],
): PlannedJack[] {
  return boxes(rig).flatMap((box) => {
    if (box.id === pedal.id) return []
    return box.ports.flatMap((port): PlannedJack[] => {
      const roles = rolesOf(mine, port, part)
      if (!roles) return []
      const fail = (why: RefusedJack['why'], by = ''): PlannedJack[] => {
        refused.push({ part, box: box.name, jack: port.name, why, by })
        return []
      }
      const others = cablesIn(rig, box.id, port.id).filter(
        ({ from, to }) => from.end.id !== pedal.id && to.end.id !== pedal.id,
      )
      const [other] = others
      if (other) return fail('taken', (other.from.end.id === box.id ? other.to : other.from).box.name)
      if (roles.from.kind === 'switchOut' && roles.to.kind === 'switchIn') {
        if (!doContactsFit(roles.from, roles.to, own(rig.controllers, box.id) !== undefined))
          return fail('poles')
        if (roles.to.action !== 'either' && roles.from.action !== roles.to.action) return fail('action')
      }
      return [
        { end: endOf(rig, box.id, port.id), box: box.name, jack: port.name, costs: costsOf(port, roles) },
      ]
    })
  })
}

/** A controller's jack for two is half used by one, and no worse for it; any other box waits for both. */
const doContactsFit = (from: RoleOf<'switchOut'>, to: RoleOf<'switchIn'>, isController: boolean): boolean =>
  from.poles === to.poles || (from.poles === 1 && isController)

interface Roles {
  readonly from: Role
  readonly to: Role
}

/** The roles two jacks would have for a part of the pedal; null when they have none for it. */
function rolesOf(mine: Port, port: Port, part: FootPart): Roles | null {
  const [out, into]: [RoleKind, RoleKind] =
    part === 'sweep' ? ['expressionOut', 'expressionIn'] : ['switchOut', 'switchIn']
  const from = mine.roles.find(({ kind }) => kind === out)
  const to = roleOf(port).kind === into ? roleOf(port) : port.roles.find(({ kind }) => kind === into)
  // Of a jack that could be more to the pedal than this part the cable could not tell which is meant.
  const found = partnersAmong(mine, port)
  return from && to && found?.to.kind === into ? { from, to } : null
}

function costsOf(port: Port, { from, to }: Roles): JackCost[] {
  const costs: JackCost[] = []
  const set = roleOf(port)
  if (set.kind !== to.kind) costs.push({ kind: 'role', from: set.kind, to: to.kind })
  if (needsCross(from, to)) costs.push({ kind: 'cross' })
  if (isContact(from) && isContact(to) && from.rest !== to.rest) costs.push({ kind: 'rest', to: from.rest })
  return costs
}

const isContact = (role: Role): role is RoleOf<'switchOut'> | RoleOf<'switchIn'> => 'rest' in role

/** Takes the pedal's cables out and lays those of an arrangement, jacks set as they must be; null when it is so already. */
export function plugPedal(
  rig: Rig,
  pedal: Device,
  { sweep, toe }: Pick<Arrangement, 'sweep' | 'toe'>,
  ids: readonly [CableId, CableId],
): Edit | null {
  const jacks = footJacks(pedal)
  const edits: Edit[] = []
  let now = rig
  const take = (edit: Edit | null) => {
    const applied = edit && applyEdit(now, edit)
    if (!edit || !applied?.ok) return
    edits.push(edit)
    now = applied.value
  }
  const lay = (mine: Port | null, jack: PlannedJack | null, id: CableId): void => {
    if (!mine || !jack) return
    const cable = cableBetween(now, endOf(now, pedal.id, mine.id), jack.end, id)
    const [laid] = cablesIn(now, pedal.id, mine.id)
    // A cable that lies there stays, as it is or with the lead and adapters it should have.
    if (laid && cable)
      take(moveCable(now, laid.cable, { ...laid.cable, lead: cable.lead, adapters: cable.adapters }))
    else if (cable) take(layCable(now, cable))
    take(setRest(now, pedal, mine, jack))
  }
  // Both are taken out before one goes where the other was.
  for (const [mine, jack] of [
    [jacks.sweep, sweep],
    [jacks.toe, toe],
  ] as const) {
    const [laid] = mine ? cablesIn(now, pedal.id, mine.id) : []
    if (laid && (!jack || !isSameJack(laid.to.end, jack.end)))
      take(removeRow(now, 'removeCable', 'cables', laid.cable.id))
  }
  lay(jacks.sweep, sweep, ids[0])
  lay(jacks.toe, toe, ids[1])
  return inOne(rig, edits)
}

/**
 * The same, and the pedal's row reads the jack the sweep then comes in by, in one edit. Another jack has not seen this pedal
 * yet: what was calibrated is void. Null when all is so already.
 */
export function plugAndRead(
  rig: Rig,
  box: Device,
  arrangement: Pick<Arrangement, 'sweep' | 'toe'>,
  pedal: Pedal,
  ids: readonly [CableId, CableId],
): Edit | null {
  const { table, id, port } = arrangement.sweep.end
  const place = { kind: 'jack', table, id, port } as const
  const isThere = dequal(pedal.place, place)
  const edits = [
    plugPedal(rig, box, arrangement, ids),
    isThere ? null : editRow(rig, 'changePedal', 'pedals', pedal.id, { place, calibration: null }),
  ].filter((edit) => edit !== null)
  return inOne(rig, edits)
}

/** Edits made one behind the other, as one; null for none. */
const inOne = (rig: Rig, edits: readonly Edit[]): Edit | null =>
  edits.length === 0
    ? null
    : joinEdits(
        rig,
        'layCable',
        edits.map((edit) => () => edit),
      )

/** The jack told how the contact rests, as it was built. */
function setRest(rig: Rig, pedal: Device, mine: Port, { end }: PlannedJack): Edit | null {
  const box = own<Box>(rig[end.table], end.id)
  const port = box?.ports.find(({ id }) => id === end.port)
  const from = mine.roles.find((role): role is RoleOf<'switchOut'> => role.kind === 'switchOut')
  if (!port || !from || roleOf(port).kind !== 'switchIn' || !cablesIn(rig, pedal.id, mine.id).length)
    return null
  return alterRole(rig, end.id, end.port, { rest: from.rest }, port.role)
}
