import type { ColumnKind } from '#core'
import type { ReadChart } from '~/platform/chartReader'
import { readPaste } from './readPaste'

export interface ReadRequest {
  readonly id: number
  readonly text: string
  /** Null: recognise them. */
  readonly columns: readonly ColumnKind[] | null
}

export interface ReadReply {
  readonly id: number
  readonly chart: ReadChart
}

addEventListener('message', ({ data: { id, text, columns } }: MessageEvent<ReadRequest>) => {
  postMessage({ id, chart: readPaste(text, columns) } satisfies ReadReply)
})
