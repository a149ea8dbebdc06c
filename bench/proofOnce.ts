import { editRow } from '../core/rig/edits/editRow'
import { applyEdit } from '../core/rig/applyEdit'
import type { Rig } from '../core/rig/rig'
import { makeProofRig } from '../core/prove/testing/makeProofRig'
import { proofOf } from '../core/prove/proof'

/** All that is proven of one rig, in a process of its own: its CPU from the first instruction on, and the same after an edit. */
const [banks, switches, devices, messages, layers, edits] = process.argv.slice(2).map(Number) as [
  number,
  number,
  number,
  number,
  1 | 2,
  number,
]
const cpu = (from?: NodeJS.CpuUsage) => {
  const { user, system } = process.cpuUsage(from)
  return (user + system) / 1000
}

function prove(rig: Rig) {
  const count = { holds: 0, fails: 0, notProven: 0 }
  for (const { verdict } of proofOf(rig)) count[verdict.kind]++
  return count
}

let rig = makeProofRig({ banks, switches, devices, messages, layers })
const began = performance.now()
const count = prove(rig)
const [ms, all] = [performance.now() - began, cpu()]
const memory = process.memoryUsage().rss / 1e6
let edit = 0
for (let n = 0; n < edits; n++) {
  const id = `b${n % banks}-base-${switches}`
  const made = editRow(rig, 'changeSwitch', 'switches', id, {
    positions: rig.switches[`b0-base-${switches - 1 - n}`]!.positions,
  })
  const applied = made && applyEdit(rig, made)
  if (!applied?.ok) throw new Error(JSON.stringify(applied))
  rig = applied.value
  const before = process.cpuUsage()
  prove(rig)
  edit += cpu(before) / edits
}
console.log(JSON.stringify({ ...count, ms, cpu: all, memory, edit }))
