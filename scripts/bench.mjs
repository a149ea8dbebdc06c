import { bundle } from './bundle.mjs'
import { ensureBuilt, ensureChromium, ensureInstalled, root, run } from './prepare.mjs'

ensureInstalled()
ensureChromium()
ensureBuilt()
run(process.execPath, [await bundle('bench/core.ts'), root])
const { measureProof } = await import('../bench/proof.mjs')
await measureProof()
const { measureBoards } = await import('../bench/board.mjs')
await measureBoards()
await import('../bench/pedals.mjs')
await import('../bench/browser.mjs')
