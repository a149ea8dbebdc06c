import { ensureInstalled, run } from './prepare.mjs'

ensureInstalled()
run(process.execPath, ['node_modules/nuxt/bin/nuxt.mjs', 'dev', '--host', process.env.HOST || '127.0.0.1'], {
  DATABASE_URL: process.env.DATABASE_URL || 'file:.data/dev.db',
  WIRE_STEP_DEMO: '1',
})
