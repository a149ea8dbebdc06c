import { ensureBuilt, ensureServable } from './prepare.mjs'

ensureServable()
ensureBuilt()
