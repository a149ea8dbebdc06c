// The unit tests with every generated run, which takes longer than `npm test` should. `DEPTH=10` makes ten times as many, by lot.
import { ensureInstalled, ensurePrepared, run } from './prepare.mjs'

ensureInstalled()
ensurePrepared()
run('npx', ['vitest', 'run'], { DEPTH: process.env.DEPTH || '1' })
