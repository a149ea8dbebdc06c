// Random and mutated inputs into every reader of the core: npm run fuzz [INPUTS] [SEED]
import { inspect } from 'node:util'
import { bundle } from './bundle.mjs'
import { ensureInstalled, run } from './prepare.mjs'

if (process.env.WIRE_STEP_FUZZ === undefined) {
  ensureInstalled()
  // A process of its own, whose memory can be collected when we say and measured.
  run(process.execPath, ['--expose-gc', process.argv[1], ...process.argv.slice(2)], { WIRE_STEP_FUZZ: '1' })
} else {
  const { fuzz, TARGETS } = await import(await bundle('bench/fuzz.ts'))
  const inputs = Number(process.argv[2] ?? 1_000_000)
  const seed = Number(process.argv[3] ?? Date.now() % 1e9)
  console.log(`${inputs.toLocaleString('en')} inputs into each of ${TARGETS.length} readers, seed ${seed}`)
  let isWell = true
  for (const target of TARGETS) {
    const used = []
    const tenth = Math.max(1, Math.floor(inputs / 10))
    const began = performance.now()
    const result = fuzz(target, inputs, seed, (n) => {
      if (n % tenth !== tenth - 1) return
      globalThis.gc()
      used.push(process.memoryUsage().heapUsed / 1e6)
    })
    const growth = (used.at(-1) ?? 0) - (used[1] ?? used[0] ?? 0)
    const isFlat = growth < 20
    isWell &&= result.threw === 0 && result.longest < 1000 && isFlat
    console.log(
      `  ${target.name}: ${result.threw} threw, longest ${result.longest.toFixed(1)} ms, memory ${growth >= 0 ? '+' : ''}${growth.toFixed(1)} MB, ${((performance.now() - began) / 1000).toFixed(0)} s`,
    )
    if (result.first)
      console.log(
        '    first:',
        result.first.error,
        '\n    from:',
        inspect(result.first.input, { depth: 8 }).slice(0, 2000),
      )
  }
  if (!isWell) {
    console.error('A reader threw, took a second or more, or kept memory.')
    process.exit(1)
  }
}
