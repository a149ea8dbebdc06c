import { alterRole, editRow, asRoles, links, type Link, type Edit, type Rig, type RoleOf } from '#core/rig'
import { toggleCross } from './crossed'
import type { FindingOf } from '../finding'

export type WrongContact = FindingOf<
  'wrongContact',
  {
    readonly from: string
    readonly to: string
    readonly jack: string
    /** Open or closed at rest; latching or momentary; tip and ring numbered the other way round; one contact where two are asked for. */
    readonly why: 'rest' | 'action' | 'order' | 'poles'
    readonly has: string
    readonly wants: string
    /** The end the fix sets. */
    readonly setAt: 'from' | 'to'
  }
>

interface Contacts {
  readonly from: RoleOf<'switchOut'>
  readonly to: RoleOf<'switchIn'>
}

/** A switching cable between contacts that do not suit each other, a finding for each way in which they do not. */
export function wrongContact(rig: Rig): WrongContact[] {
  return links(rig).flatMap((link) => {
    const roles = asRoles(link, 'switchOut', 'switchIn')
    return roles ? mismatches(rig, link, roles) : []
  })
}

function mismatches(rig: Rig, link: Link, { from, to }: Contacts): WrongContact[] {
  const found: WrongContact[] = []
  const add = (
    why: WrongContact['facts']['why'],
    has: string,
    wants: string,
    severity: WrongContact['severity'],
    fix: Edit | null,
  ) =>
    found.push({
      code: 'wrongContact',
      severity,
      about: { table: 'cables', id: link.cable.id, field: why },
      facts: {
        from: link.from.box.name,
        to: link.to.box.name,
        jack: link.to.port.name,
        why,
        has,
        wants,
        setAt: from.by === 'relay' ? 'from' : 'to',
      },
      ...(fix && { fix }),
    })
  const at = (end: Link['from'], fields: Parameters<typeof alterRole>[3]) =>
    alterRole(rig, end.end.id, end.port.id, fields, end.port.roles.indexOf(end.meant))
  if (from.rest !== to.rest)
    add(
      'rest',
      from.rest,
      to.rest,
      'error',
      from.by === 'relay' ? at(link.from, { rest: to.rest }) : at(link.to, { rest: from.rest }),
    )
  if (to.action !== 'either' && from.action !== to.action)
    // What is built to spring back cannot be told to stay down.
    add(
      'action',
      from.action,
      to.action,
      'error',
      from.by === 'relay' ? at(link.from, { action: to.action }) : null,
    )
  const isCrossed = link.cable.adapters.includes('cross')
  if (from.poles === 2 && to.poles === 2 && (from.first !== to.first) !== isCrossed)
    add(
      'order',
      from.first,
      to.first,
      'warning',
      editRow(rig, 'changeCable', 'cables', link.cable.id, toggleCross(link.cable)),
    )
  // Each contact of a controller's jack is a switch of its own: one of them unused is no fault.
  const isHalfMeant = from.by === 'foot' && from.poles === 1 && link.to.end.table === 'controllers'
  if (to.poles === 2 && !isHalfMeant && (from.poles === 1 || link.cable.lead === 'ts'))
    add(
      'poles',
      '1',
      '2',
      'warning',
      from.poles === 2 ? editRow(rig, 'changeCable', 'cables', link.cable.id, { lead: 'trs' }) : null,
    )
  // The second switch of a dual one has no contact to work.
  if (from.by === 'foot' && from.poles === 2 && to.poles === 1) add('poles', '2', '1', 'warning', null)
  return found
}
