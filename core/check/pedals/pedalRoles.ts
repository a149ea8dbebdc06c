import { own } from '#core/base'
import { editPedal, roleLeaps, pedalController } from '#core/pedal'
import { shownText, inOrder, type Rig, highestValue, type PedalRole, type When } from '#core/rig'
import type { FindingOf } from '../finding'
import { pedalTargets } from './pedalTarget'

export type PedalsFight = FindingOf<
  'pedalsFight',
  { readonly pedal: string; readonly other: string; readonly control: string; readonly device: string }
>

/** Whether two roles can never be live at once, as far as their own conditions tell. */
function neverBoth(a: When, b: When): boolean {
  if (a.kind === 'control' && b.kind === 'control') return a.controlId === b.controlId && a.is !== b.is
  if (a.kind === 'banks' && b.kind === 'banks') return !a.bankIds.some((id) => b.bankIds.includes(id))
  return false
}

/** Two pedals that lead one control at once: each throws the other's value over. */
export function pedalsFight(rig: Rig): PedalsFight[] {
  const found: PedalsFight[] = []
  const all = pedalTargets(rig)
  const told = new Set<string>()
  all.forEach((one, n) => {
    for (const other of all.slice(n + 1)) {
      if (other.pedal.id === one.pedal.id || other.control.id !== one.control.id) continue
      if (neverBoth(one.pedal.roles[one.role]!.when, other.pedal.roles[other.role]!.when)) continue
      const key = `${one.pedal.id}/${other.pedal.id}/${one.control.id}`
      if (told.has(key)) continue
      told.add(key)
      found.push({
        code: 'pedalsFight',
        severity: 'warning',
        about: { table: 'pedals', id: other.pedal.id, field: `roles.${other.role}.targets.${other.n}` },
        facts: {
          pedal: one.pedal.name,
          other: other.pedal.name,
          control: one.control.name,
          device: one.device.name,
        },
      })
    }
  })
  return found
}

export type PedalLeaps = FindingOf<
  'pedalLeaps',
  {
    readonly pedal: string
    /** Names of the roles, empty for one without; and their places, from 1. */
    readonly from: string
    readonly to: string
    readonly fromNumber: number
    readonly toNumber: number
    readonly foot: 'heel' | 'toe'
    readonly control: string
    /** As the device shows them. */
    readonly before: string
    readonly after: string
    readonly isMost: boolean
  }
>

/** Less than a quarter of what a control can do passes as part of the move (common practice, from memory). */
const LEAPS_FROM = 0.25

/** A control that leaps far when the pedal changes its role, the furthest of each pedal. The fix lets it wait until it is passed. */
export function pedalLeaps(rig: Rig): PedalLeaps[] {
  return inOrder(rig.pedals).flatMap((pedal): PedalLeaps[] => {
    const [leap] = roleLeaps(rig, pedal)
    const control = own(rig.controls, leap?.controlId ?? '')
    if (!leap || !control || leap.share < LEAPS_FROM) return []
    const shown = (value: number) => shownText(control.reading, value, highestValue(control.address))
    const fix = editPedal(rig, pedal.id, { takeover: 'catches' })
    return [
      {
        code: 'pedalLeaps',
        severity: 'warning',
        about: { table: 'pedals', id: pedal.id, field: 'takeover' },
        facts: {
          pedal: pedal.name,
          from: pedal.roles[leap.from]!.name,
          to: pedal.roles[leap.to]!.name,
          fromNumber: leap.from + 1,
          toNumber: leap.to + 1,
          foot: leap.foot,
          control: control.name,
          before: shown(leap.before),
          after: shown(leap.after),
          isMost: leap.isMost,
        },
        ...(fix && { fix }),
      },
    ]
  })
}

export type DeadRole = FindingOf<
  'deadRole',
  {
    readonly pedal: string
    readonly role: string
    readonly number: number
    readonly why: 'behindAlways' | 'noBank' | 'ownJack'
  }
>

/** A role whose time never comes: it stands behind one that is always live, or names no bank. The fix puts that one last. */
export function deadRole(rig: Rig): DeadRole[] {
  return inOrder(rig.pedals).flatMap((pedal) => {
    const always = pedal.roles.findIndex(({ when }) => when.kind === 'always')
    return pedal.roles.flatMap((role, n): DeadRole[] => {
      const isNoBank = role.when.kind === 'banks' && role.when.bankIds.length === 0
      const isBehind = always >= 0 && n > always
      const isUnknown = pedalController(pedal) === null && role.when.kind !== 'always'
      if (!isNoBank && !isBehind && !isUnknown) return []
      const fix =
        isBehind && !isUnknown && role.when.kind !== 'always'
          ? editPedal(rig, pedal.id, { roles: behind(pedal.roles, always) })
          : null
      return [
        {
          code: 'deadRole',
          severity: 'hint',
          about: { table: 'pedals', id: pedal.id, field: `roles.${n}` },
          facts: {
            pedal: pedal.name,
            role: role.name,
            number: n + 1,
            why: isUnknown ? 'ownJack' : isBehind ? 'behindAlways' : 'noBank',
          },
          ...(fix && { fix }),
        },
      ]
    })
  })
}

const behind = (roles: readonly PedalRole[], at: number): PedalRole[] => [
  ...roles.slice(0, at),
  ...roles.slice(at + 1),
  roles[at]!,
]
