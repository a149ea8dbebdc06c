import { mkdtempSync, rmSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { editRow, type Rig } from '#core/rig'
import { openDatabase } from '../server/db/database'
import { tidewright } from '../server/demo/tidewright'
import { postEdit } from '../server/services/edits'
import { createKeptRigs } from '../server/services/keptRigs'
import { createRig } from '../server/services/rigs'
import type { Store } from '../server/services/store'
import { bigBoard } from './bigBoard'

const EDITS = 400
const ROUNDS = 5
const percentile = (numbers: readonly number[], share: number) =>
  numbers.toSorted((a, b) => a - b)[Math.floor((numbers.length - 1) * share)]!

/** Renames a bank again and again, as the server's route does; ms for each. */
async function renames(store: Store, rigId: string, start: Rig, round: number): Promise<number[]> {
  let rig = start
  const [bank] = Object.keys(rig.banks)
  const times: number[] = []
  for (let n = 0; n < EDITS; n++) {
    const edit = editRow(rig, 'nameBank', 'banks', bank!, { name: `Number ${round}.${n}` })!
    const began = performance.now()
    const posted = await postEdit(store, rigId, { id: `${round}-${n}`, edit }, new Date())
    times.push(performance.now() - began)
    if (!posted.ok) throw new Error(JSON.stringify(posted.refusal))
    rig = { ...rig, banks: { ...rig.banks, [bank!]: edit.changes[0]!.after as never } }
  }
  return times
}

/** What an edit costs the server, on the demo and on a full board, in turns; and their ratio from the same run. */
export async function measureServer(root: string): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'wire-step-bench-'))
  const readMigration = (name: string) => readFile(join(root, 'server/db/migrations', name), 'utf8')
  const database = await openDatabase(`file:${join(folder, 'bench.db')}`, undefined, readMigration)
  const store = { database, kept: createKeptRigs() }
  const boards = await Promise.all(
    [
      { name: 'demo', rig: tidewright() },
      { name: '100 banks x 10 switches', rig: bigBoard() },
    ].map(async ({ name, rig }) => ({
      name,
      rig,
      id: (await createRig(store, rig, new Date())).id,
      times: [] as number[],
    })),
  )
  for (let round = 0; round < ROUNDS; round++)
    for (const board of boards) {
      const bank = Object.keys(board.rig.banks)[0]!
      const times = await renames(store, board.id, board.rig, round)
      board.rig = {
        ...board.rig,
        banks: {
          ...board.rig.banks,
          [bank]: { ...board.rig.banks[bank]!, name: `Number ${round}.${EDITS - 1}` },
        },
      }
      // The first ones find the rig not yet in use.
      board.times.push(...times.slice(20))
    }
  await database.close()
  rmSync(folder, { recursive: true })
  console.log('\nA rename at the server, validated, stored and logged')
  for (const { name, times } of boards)
    console.log(
      `  ${name}: median ${percentile(times, 0.5).toFixed(2)} ms, 95 in 100 below ${percentile(times, 0.95).toFixed(2)} ms`,
    )
  const [demo, board] = boards.map(({ times }) => percentile(times, 0.5))
  console.log(`  full board to demo: ratio ${(board! / demo!).toFixed(2)} of 1.5 allowed`)
}
