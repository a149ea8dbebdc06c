import { ensureBuilt, ensureServable } from './prepare.mjs'

ensureServable()
ensureBuilt()
// The server itself seeds, and only a database that holds no rig.
process.env.WIRE_STEP_DEMO = '1'
const { serve } = await import('./serve.mjs')
await serve('.data/demo.db')
