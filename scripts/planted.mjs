// Plants faults in the proof, one at a time, in a copy of the project, and says whether the tests catch each: `npm run planted`.
import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root } from './prepare.mjs'

const EXPLORE = 'core/explore/explore.test.ts'
const FLOOR = 'core/prove/floorMachine.test.ts'
const LAMPS = 'core/prove/lampLies.test.ts'
const SOUNDS = 'core/prove/proof.test.ts'

/** What is planted where, and the test that should see it. */
const FAULTS = [
  [
    'What is left out holds only its first value',
    'core/explore/project.ts',
    'value < sizes[component]!; value++',
    'value < 1; value++',
    EXPLORE,
  ],
  [
    'Moves on all but the first component are left out',
    'core/explore/project.ts',
    'for (const component of seen)',
    'for (const component of seen.slice(0, 1))',
    EXPLORE,
  ],
  [
    'What does not come out straight away never happens',
    'core/explore/refine.ts',
    'const found = searched(machine, whole, ends, asked, isWanted, budget, below)',
    "const found: Found = { kind: 'never' }",
    EXPLORE,
  ],
  [
    'A way may make moves that are not there',
    'core/explore/shortest.ts',
    'if (!machine.moves[state.place]!.includes(move)) return null',
    '',
    EXPLORE,
  ],
  [
    'A state once met is not come to by fewer moves',
    'core/explore/shortest.ts',
    'if (before !== undefined && before <= depth) return',
    'if (before !== undefined) return',
    EXPLORE,
  ],
  [
    'A control that changes over is taken as set',
    'core/prove/parts.ts',
    "reading.kind === 'toggle' || ",
    '',
    FLOOR,
  ],
  [
    'A list goes by what was known before it began',
    'core/simulate/calmly.ts',
    'const doing = { controller: null, known, at: 0',
    'const doing = { controller: null, known: before, at: 0',
    FLOOR,
  ],
  [
    'What two things alone never come to is said without a look',
    'core/prove/ask.ts',
    'return !isThere',
    'return true',
    LAMPS,
  ],
  [
    'What must be so is looked for where it is not',
    'core/explore/refine.ts',
    'state % ways === ways - 1',
    'state % ways === 0',
    LAMPS,
  ],
  [
    'What is plainly always so is not looked at where it begins',
    'core/explore/need.ts',
    'bringing(machine, need).every((move) => surely(on(move, then), then, true)) &&',
    '',
    EXPLORE,
  ],
  [
    'A list that asks for the tempo is taken as lit by the rest of it',
    'core/prove/lampLies.ts',
    '{ length: 2 ** asking.length }',
    '{ length: 1 }',
    LAMPS,
  ],
  [
    'A longer run takes the place of a shorter one',
    'core/explore/refine.ts',
    'searched(machine, whole, ends, asked, isWanted, budget, below)',
    'searched(machine, whole, ends, asked, isWanted, budget)',
    LAMPS,
  ],
  [
    'Another sound of the same switch is taken for this one',
    'core/prove/soundsLine.ts',
    'recall.isIt(numberAt) &&',
    '',
    SOUNDS,
  ],
]

const copy = mkdtempSync(join(tmpdir(), 'planted-'))
try {
  for (const part of ['core', 'shared', 'testing', 'package.json', 'vitest.config.ts'])
    cpSync(join(root, part), join(copy, part), { recursive: true })
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))
  const run = (...tests) =>
    spawnSync('npx', ['vitest', 'run', '--bail', '1', ...tests], { cwd: copy, encoding: 'utf8' })
  const whole = run(EXPLORE, FLOOR, LAMPS, SOUNDS)
  if (whole.status !== 0) throw new Error(`The tests fail without any fault\n${whole.stdout}${whole.stderr}`)
  let missed = 0
  for (const [title, file, from, to, test] of FAULTS) {
    const path = join(copy, file)
    const text = readFileSync(path, 'utf8')
    if (text.split(from).length !== 2) throw new Error(`${file} does not have once: ${from}`)
    writeFileSync(path, text.replace(from, to))
    const isMissed = run(test).status === 0
    writeFileSync(path, text)
    if (isMissed) missed++
    console.log(`${isMissed ? 'NOT CAUGHT' : 'caught    '}  ${title} (${test})`)
  }
  process.exitCode = missed === 0 ? 0 : 1
} finally {
  rmSync(copy, { recursive: true })
}
