// Kills the server while edits run, again and again: npm run soak [KILLS]. Nothing confirmed may be lost, and every log
// replayed from nothing must be the rig that is served.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { isDeepStrictEqual } from 'node:util'
import { startServer } from './builtServer.mjs'
import { bundle } from './bundle.mjs'
import { ensureBuilt, ensureInstalled } from './prepare.mjs'

ensureInstalled()
ensureBuilt()
const { replay, NO_RIG } = await import(await bundle('bench/replay.ts'))

const KILLS = Number(process.argv[2] ?? 300)
const PLAYERS = 4
/** Logs are replayed whole so often, and at the end. */
const REPLAY_EVERY = 25
const folder = mkdtempSync(join(tmpdir(), 'wire-step-soak-'))
const env = {
  DATABASE_URL: `file:${join(folder, 'soak.db')}`,
  WIRE_STEP_DEMO: '1',
  WIRE_STEP_REQUESTS: '1000000',
}
const faults = []
const fault = (line) => {
  faults.push(line)
  console.error(`  ${line}`)
}

const ask = async (url, path, body) => {
  const reply = await fetch(
    url + path,
    body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) },
  )
  if (!reply.ok) throw new Error(`${path} answered ${reply.status}`)
  return reply.json()
}

/** One player with a rig of its own: edits without a pause and writes down what was confirmed. */
async function play(url, player, isOver) {
  // Killed before it could even look: nothing was made.
  const found = await ask(url, `/api/rigs/${player.rigId}`).catch(() => null)
  if (!found) return
  let before = found.rig.banks.menders
  while (!isOver()) {
    const after = { ...before, name: `Edit ${++player.made}` }
    const id = `${player.name}-${player.made}`
    const edit = { label: 'nameBank', changes: [{ table: 'banks', id: 'menders', before, after }] }
    let reply
    try {
      reply = await ask(url, `/api/rigs/${player.rigId}/edits`, { id, edit })
    } catch {
      // Killed in the middle: whether it was done is seen when the server is back.
      player.unsure = { id, edit }
      return
    }
    player.confirmed.set(reply.revision, id)
    before = after
  }
}

async function wholeLog(url, rigId, since) {
  const edits = []
  for (;;) {
    const page = await ask(url, `/api/rigs/${rigId}/edits?since=${edits.at(-1)?.revision ?? since}`)
    if (page.edits.length === 0) return edits
    edits.push(...page.edits)
  }
}

/** What was confirmed before the kill is there; an edit whose answer was lost is done once, now or before. */
async function check(url, player, isWhole) {
  const last = Math.max(1, ...player.confirmed.keys())
  if (player.unsure) {
    const { revision } = await ask(url, `/api/rigs/${player.rigId}/edits`, player.unsure)
    if (revision !== last + 1)
      fault(`${player.name}: the unsure edit is revision ${revision}, not ${last + 1}`)
    player.confirmed.set(revision, player.unsure.id)
    player.unsure = null
  }
  const since = isWhole ? 0 : player.checked
  const log = await wholeLog(url, player.rigId, since)
  const byRevision = new Map(log.map((one) => [one.revision, one]))
  for (const [revision, id] of player.confirmed)
    if (revision > since && byRevision.get(revision)?.id !== id)
      fault(`${player.name}: confirmed revision ${revision} is lost`)
  player.checked = Math.max(...player.confirmed.keys(), 1)
  if (!isWhole) return
  const { rig, revision } = await ask(url, `/api/rigs/${player.rigId}`)
  if (revision !== log.at(-1).revision)
    fault(`${player.name}: at revision ${revision}, its log ends at ${log.at(-1).revision}`)
  if (
    !isDeepStrictEqual(
      replay(
        log.map(({ edit }) => edit),
        NO_RIG,
      ),
      rig,
    )
  )
    fault(`${player.name}: the log does not lead to the rig`)
}

const began = performance.now()
let server = await startServer(env)
const { rigs } = await ask(server.url, '/api/rigs')
const file = await (await fetch(`${server.url}/api/rigs/${rigs[0].id}/files/rig.json`)).text()
const players = []
for (let n = 0; n < PLAYERS; n++) {
  const made = await (await fetch(`${server.url}/api/rigs/file`, { method: 'POST', body: file })).json()
  players.push({ name: `p${n}`, rigId: made.id, made: 0, confirmed: new Map(), checked: 0, unsure: null })
}
for (let kill = 1; kill <= KILLS; kill++) {
  let isOver = false
  const { url } = server
  const playing = players.map((player) => play(url, player, () => isOver))
  // Somewhere in the first half second of edits, never at the same place.
  await new Promise((resolve) => setTimeout(resolve, 20 + ((kill * 137) % 480)))
  await server.kill('SIGKILL')
  isOver = true
  await Promise.all(playing)
  server = await startServer(env)
  const isWhole = kill % REPLAY_EVERY === 0 || kill === KILLS
  for (const player of players) await check(server.url, player, isWhole)
  if (isWhole)
    console.log(
      `${kill} kills, ${players.reduce((sum, { confirmed }) => sum + confirmed.size, 0)} edits confirmed, ${faults.length} faults, ${((performance.now() - began) / 1000).toFixed(0)} s`,
    )
}
await server.kill('SIGTERM')
rmSync(folder, { recursive: true })
if (faults.length > 0) process.exit(1)
console.log('Nothing confirmed was lost; every log replayed from nothing is the rig.')
