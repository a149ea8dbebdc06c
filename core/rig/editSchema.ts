import * as z from 'zod/mini'
import { EDIT_LABELS } from './edit'
import { rowKey } from './references'
import { TABLE_NAMES, type TableName } from './rig'

/** No row is nested this deep; what goes through a value step by step must not run out of room. */
const DEPTH_MAX = 20

function isShallow(value: unknown): boolean {
  let level: unknown[] = [value]
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > DEPTH_MAX) return false
    level = level.flatMap((one) => (typeof one === 'object' && one !== null ? Object.values(one) : []))
  }
  return true
}

const rowSchema = z
  .nullable(z.record(z.string(), z.unknown()))
  .check(z.refine(isShallow, 'it is nested too deep'))

const changeSchema = z
  .strictObject({
    table: z.enum(TABLE_NAMES as [TableName, ...TableName[]]),
    id: z.string().check(z.minLength(1), z.maxLength(40)),
    before: rowSchema,
    after: rowSchema,
  })
  .check(z.refine(({ before, after }) => before !== null || after !== null, 'it changes nothing'))

/** The shape of an edit from outside; its rows are checked when it is applied. No row is named twice. */
export const editSchema = z.strictObject({
  label: z.enum(EDIT_LABELS),
  changes: z.array(changeSchema).check(
    z.minLength(1),
    z.maxLength(40_000),
    z.superRefine((changes, context) => {
      const named = new Set<string>()
      changes.forEach(({ table, id }, n) => {
        const key = rowKey(table, id)
        if (named.has(key))
          context.addIssue({ code: 'custom', path: [n], message: `${table}.${id} is changed twice` })
        named.add(key)
      })
    }),
  ),
})
