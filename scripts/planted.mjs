// Plants faults in the core, one at a time, in a copy of the project, and says whether the tests catch each: `npm run planted`.
import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root } from './prepare.mjs'

const EXPLORE = 'core/explore/explore.test.ts'
const FLOOR = 'core/prove/floorMachine.test.ts'
const LAMPS = 'core/prove/lampLies.test.ts'
const SOUNDS = 'core/prove/proof.test.ts'
const STEP = 'core/simulate/step.test.ts'
const TWO = 'core/simulate/twoModels.test.ts'
const BETWEEN = 'core/sound/sounds.test.ts'
const TREE = 'core/keyin/arborescence.test.ts'
const BOARD = 'core/keyin/keyPlaces.test.ts'
const LAYOUT = 'core/placing/layout.test.ts'
const CELLS = 'core/chart/cells.test.ts'
const GESTURES = 'core/simulate/gestures.test.ts'
const PANEL = 'core/keyin/panel.test.ts'
const ANY_SOUND = 'core/simulate/sounds.test.ts'
const LEVELS = 'core/check/sounds/sounds.test.ts'

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
  [
    'The high half of a value is taken for all of it',
    'core/simulate/device.ts',
    'isMsb ? value * (U7_MAX + 1) :',
    'isMsb ? value :',
    ANY_SOUND,
  ],
  [
    'A program that names no preset is not told',
    'core/simulate/device.ts',
    'if (preset === null) return { ...state, refused: message.program }',
    'if (preset === null) return state',
    STEP,
  ],
  [
    'The two halves of bank select are exchanged',
    'core/simulate/device.ts',
    'return joinU14(bankMsb, bankLsb)',
    'return joinU14(bankLsb, bankMsb)',
    STEP,
  ],
  [
    'A device that loads loses nothing',
    'core/simulate/advance.ts',
    'entry.start < this.#deafOf(id)',
    'entry.start < 0',
    TWO,
  ],
  [
    'Two messages are on one wire at once',
    'core/simulate/wires.ts',
    'wire.freeAt = end',
    'wire.freeAt = start',
    TWO,
  ],
  [
    'Running status goes on from one list to the next',
    'core/simulate/wires.ts',
    'op.isTerse && wire.list === list && wire.status === status',
    'op.isTerse && wire.status === status',
    TWO,
  ],
  [
    'What changes over at its own value does so at any',
    'core/simulate/device.ts',
    "reading.at === 'value' && sent !== reading.value ? before : before > 0",
    'before > 0',
    TWO,
  ],
  [
    'A contact is always read as if it were open at rest',
    'core/simulate/footswitch.ts',
    '(rest === readsRest ? isActive : !isActive)',
    '(isActive)',
    GESTURES,
  ],
  [
    'What a recall resets to values nobody knows is called known',
    'core/sound/between.ts',
    '(to.holds.has(controlId) ? [] : [controlId])',
    '(to.holds.has(controlId) ? [controlId] : [])',
    BETWEEN,
  ],
  [
    'What is switched off may not hold what it likes',
    'core/sound/leftover.ts',
    '        !traits.isOff &&\n',
    '',
    BETWEEN,
  ],
  [
    'A jump in level is told the wrong way round',
    'core/sound/between.ts',
    'after - before',
    'before - after',
    LEVELS,
  ],
  [
    'The preset a device begins in counts as left over',
    'core/sound/leftover.ts',
    '(rest?.preset ?? powerOn ?? -1)',
    '(rest?.preset ?? -1)',
    BETWEEN,
  ],
  [
    'What was taken off the ways into a cycle is forgotten',
    'core/keyin/arborescence.ts',
    'const left = its[u]! - off',
    'const left = its[u]!',
    TREE,
  ],
  [
    'The way from the root into a cycle costs what it did',
    'core/keyin/arborescence.ts',
    '[root, rootTo] = [rootRow[one]! - off,',
    '[root, rootTo] = [rootRow[one]!,',
    TREE,
  ],
  [
    'A list that is too long is not told',
    'core/keyin/keyPlaces.ts',
    'over: Math.max(0, held.rows.length - room)',
    'over: 0',
    BOARD,
  ],
  [
    'A list has room for one more',
    'core/keyin/keyPlaces.ts',
    'const room = shape.controller.messagesPerEvent',
    'const room = shape.controller.messagesPerEvent + 1',
    BOARD,
  ],
  [
    'Groups are counted from 0',
    'core/keyin/keyPlaces.ts',
    'names.set(group, names.size + 1)',
    'names.set(group, names.size)',
    BOARD,
  ],
  [
    'Sending all at the end costs nothing',
    'core/keyin/visits.ts',
    "save.when === 'end' && jobs.length > 0 ? save.keys.length : 0",
    '0',
    PANEL,
  ],
  [
    'Just in time counts as late',
    'core/placing/placing.ts',
    'time[edge]! > within',
    'time[edge]! >= within',
    LAYOUT,
  ],
  [
    'What an item pays in its own place is left out',
    'core/placing/tabu.ts',
    'this.#flow[u * n + u]! * distance[place * n + place]! + alone',
    'alone',
    LAYOUT,
  ],
  [
    'Hex is read as decimal',
    'core/chart/numberCell.ts',
    'return Number.parseInt(cell, 16)\n',
    'return Number.parseInt(cell, 10)\n',
    CELLS,
  ],
  [
    'The last number of a run is lost',
    'core/chart/numberCell.ts',
    '{ length: to - from + 1 }',
    '{ length: to - from }',
    CELLS,
  ],
  [
    'Only the ends are taken for halves',
    'core/chart/valuesCell.ts',
    "if (ONLY_ENDS.test(cell)) return sure({ kind: 'switch', isStrict: true })",
    "if (ONLY_ENDS.test(cell)) return sure({ kind: 'switch', isStrict: false })",
    CELLS,
  ],
  ['Below 64 includes 64', 'core/chart/namedCell.ts', '`0-${Number(n) - 1}`', '`0-${n}`', CELLS],
]

/** `npm run planted -- hex` plants those whose title has the word. */
const asked = FAULTS.filter(([title]) => title.toLowerCase().includes((process.argv[2] ?? '').toLowerCase()))

const copy = mkdtempSync(join(tmpdir(), 'planted-'))
try {
  for (const part of ['core', 'shared', 'testing', 'package.json', 'vitest.config.ts'])
    cpSync(join(root, part), join(copy, part), { recursive: true })
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))
  const run = (...tests) =>
    spawnSync('npx', ['vitest', 'run', '--bail', '1', ...tests], { cwd: copy, encoding: 'utf8' })
  const whole = run(...new Set(asked.map(([, , , , test]) => test)))
  if (whole.status !== 0) throw new Error(`The tests fail without any fault\n${whole.stdout}${whole.stderr}`)
  let missed = 0
  for (const [title, file, from, to, test] of asked) {
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
