import * as fc from 'fast-check'
import { LEFT, type Effect, type Machine, type MachineMove, type Table } from '../machine'

/** Generated machines, small enough that every state can be gone through. */

const sizes = fc.array(fc.integer({ min: 2, max: 4 }), { minLength: 2, maxLength: 5 })

const tableOf = (all: readonly number[], reads: readonly number[], limit: number): fc.Arbitrary<Table> => {
  const rows = reads.reduce((product, component) => product * all[component]!, 1)
  return fc
    .array(fc.integer({ min: LEFT, max: limit - 1 }), { minLength: rows, maxLength: rows })
    .map((table) => ({ reads, table: Int32Array.from(table) }))
}

const readsOf = (all: readonly number[]) =>
  fc.uniqueArray(fc.integer({ min: 0, max: all.length - 1 }), { maxLength: 2 })

const moveOf = (all: readonly number[], places: number): fc.Arbitrary<MachineMove> =>
  fc
    .record({
      effects: fc
        .uniqueArray(fc.integer({ min: 0, max: all.length - 1 }), { minLength: 1, maxLength: 3 })
        .chain((components) =>
          fc.tuple(
            ...components.map((component) =>
              readsOf(all)
                .chain((reads) => tableOf(all, reads, all[component]!))
                .map((table): Effect => ({ component, ...table })),
            ),
          ),
        ),
      jump: fc.oneof(
        { weight: 2, arbitrary: fc.constant(null) },
        { weight: 2, arbitrary: tableOf(all, [], places) },
        { weight: 1, arbitrary: readsOf(all).chain((reads) => tableOf(all, reads, places)) },
      ),
    })
    .map(({ effects, jump }) => ({ effects, jump }))

export const machines: fc.Arbitrary<Machine> = fc
  .tuple(sizes, fc.integer({ min: 1, max: 4 }))
  .chain(([all, places]) =>
    fc.record({
      sizes: fc.constant(all),
      moves: fc.array(fc.array(moveOf(all, places), { minLength: 1, maxLength: 5 }), {
        minLength: places,
        maxLength: places,
      }),
      start: fc.record({
        place: fc.integer({ min: 0, max: places - 1 }),
        values: fc.tuple(...all.map((size) => fc.integer({ min: 0, max: size - 1 }))),
      }),
    }),
  )
