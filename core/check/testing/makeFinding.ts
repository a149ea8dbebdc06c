import { expect } from 'vitest'
import { applyEdit } from '../../rig/applyEdit'
import { invertEdit } from '../../rig/edit'
import type { Rig } from '../../rig/rig'
import { findings, type Finding } from '../findings'

/** Words for tests of checks. */

export const codes = (rig: Rig): Finding['code'][] => findings(rig).map(({ code }) => code)

export function requireFinding<Code extends Finding['code']>(
  rig: Rig,
  code: Code,
): Extract<Finding, { code: Code }> {
  const found = findings(rig).find((one) => one.code === code)
  if (!found) throw new Error(`No ${code} among ${codes(rig).join(', ') || 'no findings'}`)
  return found as Extract<Finding, { code: Code }>
}

/** The finding is there, its fix makes it go, and undoing the fix brings the rig back. Returns the fixed rig. */
export function expectFixable(rig: Rig, code: Finding['code']): Rig {
  const { fix } = requireFinding(rig, code)
  if (!fix) throw new Error(`No fix for ${code}`)
  const fixed = applyEdit(rig, fix)
  if (!fixed.ok) throw new Error(JSON.stringify(fixed.refusal))
  expect(codes(fixed.value)).not.toContain(code)
  expect(applyEdit(fixed.value, invertEdit(fix))).toEqual({ ok: true, value: rig })
  return fixed.value
}
