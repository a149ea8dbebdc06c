import type { ChartRow, ColumnKind } from '#core'
import type { ReadRequest, ReadReply } from '~/workers/chart.worker'

export interface ReadChart {
  readonly columns: readonly ColumnKind[]
  readonly rows: readonly ChartRow[]
  /** A few lines as cut into cells, to map columns by. */
  readonly sample: readonly (readonly string[])[]
}

/** Reads pasted charts off the page's thread; only the newest reading is answered. */
export interface ChartReader {
  readonly read: (text: string, columns: readonly ColumnKind[] | null) => Promise<ReadChart>
  readonly close: () => void
}

export function browserChartReader(): ChartReader {
  const worker = new Worker(new URL('../workers/chart.worker.ts', import.meta.url), { type: 'module' })
  const waiting = new Map<number, (reply: ReadChart) => void>()
  let asked = 0
  worker.addEventListener('message', ({ data }: MessageEvent<ReadReply>) => {
    waiting.get(data.id)?.(data.chart)
    waiting.delete(data.id)
  })
  return {
    read: (text, columns) =>
      new Promise((resolve) => {
        const id = ++asked
        waiting.clear()
        waiting.set(id, resolve)
        worker.postMessage({ id, text, columns } satisfies ReadRequest)
      }),
    close: () => worker.terminate(),
  }
}

/** For tests: reads nothing. */
export const memoryChartReader = (): ChartReader => ({
  read: async () => ({ columns: [], rows: [], sample: [] }),
  close: () => {},
})
