import { ensureBuilt, ensureInstalled } from './prepare.mjs'

ensureInstalled()
ensureBuilt()
// The server itself seeds, and only a database that holds no rig.
process.env.WIRE_STEP_DEMO = '1'
const { serve } = await import('./serve.mjs')
await serve('.data/demo.db')
