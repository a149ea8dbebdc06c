// What the core answers, now and at an earlier commit, about generated rigs: npm run same -- COMMIT [RIGS] [SEED]
import { execFileSync } from 'node:child_process'
import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { bundle } from './bundle.mjs'
import { ensureInstalled, root } from './prepare.mjs'

const ENTRY = 'bench/answers.ts'
/** How much of two answers is shown from where they part. */
const SHOWN = 160

if (process.env.WIRE_STEP_SAME) {
  const { module, rigs, out } = JSON.parse(process.env.WIRE_STEP_SAME)
  const { answers } = await import(module)
  writeFileSync(out, JSON.stringify([...answers(JSON.parse(readFileSync(rigs, 'utf8')))]))
} else {
  const [commit, count = '500', seed = '33'] = process.argv.slice(2)
  if (!commit) {
    console.error('Which commit is it to be compared with? npm run same -- COMMIT [RIGS] [SEED]')
    process.exit(1)
  }
  ensureInstalled()
  const folder = mkdtempSync(join(tmpdir(), 'wire-step-same-'))
  const before = join(folder, 'before')
  const git = (...args) => execFileSync('git', args, { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] })
  git('worktree', 'add', '--detach', before, commit)
  try {
    symlinkSync(join(root, 'node_modules'), join(before, 'node_modules'))
    // Older ones are asked as this one is.
    if (!existsSync(join(before, ENTRY))) copyFileSync(join(root, ENTRY), join(before, ENTRY))
    const now = await bundle(ENTRY)
    const { rigsToAsk } = await import(now)
    const rigs = join(folder, 'rigs.json')
    writeFileSync(rigs, JSON.stringify(rigsToAsk(Number(count), Number(seed))))
    const asked = (module, out) => {
      const given = JSON.stringify({ module, rigs, out: join(folder, out) })
      execFileSync(process.execPath, [process.argv[1]], {
        stdio: 'inherit',
        env: { ...process.env, WIRE_STEP_SAME: given },
      })
      return JSON.parse(readFileSync(join(folder, out), 'utf8'))
    }
    const ours = asked(now, 'now.json')
    // The older one's bundle takes the place of ours.
    const theirs = asked(await bundle(ENTRY, before), 'before.json')
    const answered = new Map(theirs.map(([n, what, answer]) => [`${n} ${what}`, answer]))
    const differ = new Map()
    const notAsked = new Set()
    for (const [n, what, answer] of ours) {
      const was = answered.get(`${n} ${what}`)
      if (was === undefined) notAsked.add(what)
      if (was === undefined || answer === was) continue
      const all = differ.get(what) ?? []
      differ.set(what, all)
      const from = Math.max(0, [...answer].findIndex((letter, i) => letter !== was[i]) - 60)
      all.push({ n, was: was.slice(from, from + SHOWN), is: answer.slice(from, from + SHOWN) })
    }
    const threw = ours.filter(([, , answer]) => answer.startsWith('threw')).length
    console.log(`${ours.length} answers about ${count} rigs, seed ${seed}; ${threw} threw`)
    for (const [what, all] of differ) {
      console.log(`${what}: ${all.length} differ`)
      for (const { n, was, is } of all.slice(0, 3)) console.log(`  rig ${n}\n    was ${was}\n    is  ${is}`)
    }
    for (const what of notAsked) console.log(`${what}: not asked at that commit, so not compared`)
    if (differ.size === 0) console.log('All that was asked at both is as before.')
    process.exitCode = differ.size > 0 || threw > 0 || notAsked.size > 0 ? 1 : 0
  } finally {
    git('worktree', 'remove', '--force', before)
    rmSync(folder, { recursive: true, force: true })
  }
}
