import { LEFT, type Machine, type Table } from '../machine'

/**
 * A machine in Promela, the language of Debian's `spin` (Holzmann, "The Model Checker SPIN", IEEE TSE 23(5), 1997): one
 * process, a move a guarded step that is taken at once. Built with -DNOREDUCE it stores each state the machine can be in once.
 */
export function makePromela({ sizes, moves, start }: Machine): string {
  const name = (component: number) => `c${component}`
  const type = (size: number) => (size <= 2 ? 'bit' : size <= 256 ? 'byte' : 'int')
  const scratch = Math.max(0, ...moves.flat().map(({ effects }) => effects.length))
  const lookup = ({ reads, table }: Table, otherwise: string): string => {
    const at = (n: number, row: number): string => {
      if (n === reads.length) return table[row] === LEFT ? otherwise : String(table[row])
      const size = sizes[reads[n]!]!
      let text = at(n + 1, row * size + size - 1)
      for (let value = size - 2; value >= 0; value--)
        text = `(${name(reads[n]!)} == ${value} -> ${at(n + 1, row * size + value)} : ${text})`
      return text
    }
    return at(0, 0)
  }
  const lines = moves.flatMap((here, place) =>
    here.map(({ effects, jump }) => {
      const news = effects.map((effect, n) => `t${n} = ${lookup(effect, name(effect.component))};`)
      const sets = effects.map(({ component }, n) => `${name(component)} = t${n}; t${n} = 0;`)
      const goes = jump ? `tp = ${lookup(jump, 'place')};` : ''
      return `  :: d_step { place == ${place} -> ${[...news, goes, ...sets, jump ? 'place = tp; tp = 0;' : 'skip;'].join(' ')} }`
    }),
  )
  return [
    `${type(moves.length)} place = ${start.place};`,
    ...sizes.map((size, component) => `${type(size)} ${name(component)} = ${start.values[component]};`),
    'int tp;',
    ...Array.from({ length: scratch }, (_, n) => `int t${n};`),
    'active proctype floor() {',
    '  do',
    ...(lines.length > 0 ? lines : ['  :: false -> skip']),
    '  od',
    '}',
    '',
  ].join('\n')
}
