// One server as 200 players would use it: npm run load [PLAYERS]. On this machine only, about a minute and a half, ends by itself.
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startServer } from './builtServer.mjs'
import { ensureBuilt, ensureInstalled } from './prepare.mjs'

ensureInstalled()
ensureBuilt()
const PLAYERS = Number(process.argv[2] ?? 200)
/** Seconds between two edits of one player: first as people do it, then faster until something gives. */
const PACES = [4, 2, 1, 0.5, 0.25, 0.12]
const SECONDS = 10
/** A player notices a save that takes longer than this, in ms. */
const NOTICED = 250
const folder = mkdtempSync(join(tmpdir(), 'wire-step-load-'))
const path = join(folder, 'load.db')
const start = () =>
  startServer({ DATABASE_URL: `file:${path}`, WIRE_STEP_DEMO: '1', WIRE_STEP_REQUESTS: '100000000' })
const percentile = (numbers, share) =>
  numbers.toSorted((a, b) => a - b)[Math.floor((numbers.length - 1) * share)] ?? 0
const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms))
/** Resident memory in MB, and seconds of processor time so far (proc(5)). */
const memory = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1000
const processor = () => {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8')
    .replace(/^.*\) /, '')
    .split(' ')
  return (Number(fields[11]) + Number(fields[12])) / 100
}
/** Bytes of the database once its server has ended in order: everything is in the one file then. */
async function storedAfter(server) {
  await server.kill('SIGTERM')
  return statSync(path).size
}

const setUp = await start()
const { rigs } = await (await fetch(`${setUp.url}/api/rigs`)).json()
const file = await (await fetch(`${setUp.url}/api/rigs/${rigs[0].id}/files/rig.json`)).text()
const ids = []
for (let n = 0; n < PLAYERS; n++)
  ids.push((await (await fetch(`${setUp.url}/api/rigs/file`, { method: 'POST', body: file })).json()).id)
const emptyLog = await storedAfter(setUp)

const server = await start()
const { url, pid } = server
await (await fetch(`${url}/api/rigs`)).text()
const before = memory()
const players = []
for (const id of ids) {
  const { rig } = await (await fetch(`${url}/api/rigs/${id}`)).json()
  players.push({ id, bank: rig.banks.menders, revision: 1, made: 0 })
}
console.log(`${PLAYERS} players, each with a rig of ${(file.length / 1000).toFixed(0)} kB open`)
console.log(
  `  memory: ${before.toFixed(0)} MB before, ${memory().toFixed(0)} MB with all open: ${(((memory() - before) / PLAYERS) * 1000).toFixed(0)} kB a rig in use`,
)

async function timed(times, work) {
  const began = performance.now()
  const reply = await work()
  times.push(performance.now() - began)
  return reply
}

/** A player for some seconds: edits, follows what others do, opens the rig again now and then. Steps cost the server nothing. */
async function play(player, pace, until, times) {
  await sleep(Math.random() * pace * 1000)
  while (Date.now() < until) {
    const after = { ...player.bank, name: `Number ${++player.made}` }
    const edit = {
      label: 'nameBank',
      changes: [{ table: 'banks', id: player.bank.id, before: player.bank, after }],
    }
    const body = JSON.stringify({ id: `e-${player.made}`, edit })
    const reply = await timed(times.edits, () =>
      fetch(`${url}/api/rigs/${player.id}/edits`, { method: 'POST', body }),
    )
    const answer = await reply.json()
    if (!reply.ok) times.refused++
    else {
      player.bank = after
      player.revision = answer.revision
    }
    if (player.made % 3 === 0)
      await timed(times.reads, () =>
        fetch(`${url}/api/rigs/${player.id}/edits?since=${player.revision}`).then((one) => one.text()),
      )
    if (player.made % 20 === 0)
      await timed(times.reads, () => fetch(`${url}/api/rigs/${player.id}`).then((one) => one.text()))
    await sleep(pace * 1000 * (0.5 + Math.random()))
  }
}

let edits = 0
let gave = null
for (const pace of PACES) {
  const times = { edits: [], reads: [], refused: 0 }
  const used = processor()
  const began = Date.now()
  await Promise.all(players.map((player) => play(player, pace, began + SECONDS * 1000, times)))
  const seconds = (Date.now() - began) / 1000
  const share = ((processor() - used) / seconds) * 100
  edits += times.edits.length
  const p99 = percentile(times.edits, 0.99)
  console.log(
    `  an edit every ${pace} s: ${(times.edits.length / seconds).toFixed(0)} edits a second, p50 ${percentile(times.edits, 0.5).toFixed(1)} ms, p99 ${p99.toFixed(1)} ms; reads p99 ${percentile(times.reads, 0.99).toFixed(1)} ms; ${times.refused} refused; ${share.toFixed(0)} % of a processor, ${memory().toFixed(0)} MB`,
  )
  if (p99 > NOTICED || times.refused > 0) {
    gave = { pace, p99, share, refused: times.refused }
    break
  }
}
console.log(
  gave
    ? `  What gives first: at an edit every ${gave.pace} s, ${gave.refused > 0 ? `${gave.refused} edits refused` : `p99 ${gave.p99.toFixed(0)} ms`}, with ${gave.share.toFixed(0)} % of a processor used`
    : '  Nothing gave at the fastest pace',
)
console.log(
  `  stored: ${(((await storedAfter(server)) - emptyLog) / edits).toFixed(0)} bytes an edit, ${(emptyLog / (PLAYERS + 1) / 1000).toFixed(0)} kB a rig with its beginning`,
)
rmSync(folder, { recursive: true })
