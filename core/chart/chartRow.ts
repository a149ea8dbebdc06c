import type { ControlAddress, Reading } from '#core/rig'
import type { ValuesDoubt } from './valuesRead'

/** What a line of a chart says, before it is a row of the rig. */
export interface DraftControl {
  readonly name: string
  readonly section: string
  readonly address: ControlAddress
  readonly reading: Reading
  readonly note: string
}

/** Why a line of a table is no control. */
export type BadCell =
  | { readonly why: 'noNumber'; readonly cell: string }
  | { readonly why: 'numberOutside'; readonly number: number }
  | { readonly why: 'noName' }
  | { readonly why: 'unclearNrpn'; readonly cell: string }
  /** The line says NRPN, and its number is not marked as one. */
  | { readonly why: 'saysNrpn'; readonly cell: string }
  /** Two halves of a number, and nothing says of what. */
  | { readonly why: 'unclearPair'; readonly cell: string }
  /** A program change, a note, an RPN. */
  | { readonly why: 'otherMessage'; readonly cell: string }
  /** Several numbers with one name that does not say as many. */
  | { readonly why: 'severalNumbers'; readonly cell: string }
  /** The same number in decimal and in hex, and the two differ. */
  | { readonly why: 'numbersDiffer'; readonly cell: string }
  /** More or fewer cells than the table has columns, and no telling which is missing. */
  | { readonly why: 'unclearColumns' }
  | { readonly why: 'tooLong'; readonly letters: number }
  /** The number is right, and what is said of it cannot be kept. */
  | { readonly why: 'outsideLimits'; readonly cell: string }

/** What was assumed of a line that was read; `joined` is from several lines. */
export type RowDoubt = ValuesDoubt | 'joined' | 'nameCut' | 'noteCut'

/** `line` counts from 1 in the text as it was pasted. */
export type ChartRow = { readonly line: number } & (
  | {
      readonly kind: 'control'
      readonly draft: DraftControl
      readonly doubts: readonly RowDoubt[]
      /** Other lines of this paste that say something else of the same number. */
      readonly twins: readonly number[]
    }
  | { readonly kind: 'section'; readonly name: string }
  | { readonly kind: 'passed'; readonly why: 'head' | 'blank' | 'footnote' | 'joined' | 'repeated' }
  | { readonly kind: 'bad'; readonly bad: BadCell }
)

/** A line of a paste, in cells; `line` counts from 1. */
export interface TableLine {
  readonly line: number
  readonly cells: readonly string[]
  /** The letters of a line too long to be cut into cells. */
  readonly letters?: number
  /** Its cells do not stand under the columns. */
  readonly unclear?: boolean
}
