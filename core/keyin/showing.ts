import type { Field } from '#core/rig'
import { fieldName, fieldsInOrder, rowFields, valueText, type Row, type RowShape } from './rows'

/** What the display shows while a field of a row is at hand; `at` is the place of its value in the row, 0 for the kind. */
export function shownText(shape: RowShape, row: Row, field: Field, at: number): string {
  const { shows, width } = shape.keying.display
  const value = valueIn(shape, row, at)
  const text = valueText(shape, row[0], field, value)
  if (shows === 'value') return cut(text, width)
  if (shows === 'named') return cut(`${fieldName(shape, field)} ${text}`.trim(), width)
  return cut(rowText(shape, row), width)
}

/** A row as one text: its kind and its values. */
export const rowText = (shape: RowShape, row: Row): string =>
  row[0] === 'name'
    ? nameText(shape, row)
    : fieldsInOrder(shape, row[0])
        .map(({ field, at }) => valueText(shape, row[0], field, valueIn(shape, row, at)))
        .join(' ')

const nameText = (shape: RowShape, row: Row): string =>
  rowFields(shape, 'name')
    .map((field, n) => valueText(shape, 'name', field, row[n + 1] as number))
    .join('')
    .trimEnd()

/** The value of a field: of the kind its place in the box's list. */
export const valueIn = ({ keying }: RowShape, row: Row, at: number): number =>
  at === 0 ? keying.kinds.findIndex(({ kind }) => kind === row[0]) : (row[at] as number)

const cut = (text: string, width: number): string => Array.from(text).slice(0, width).join('')
