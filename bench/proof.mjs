// Proof of whole rigs in fresh processes, and the search over states beside Debian's spin in one run.
import { execFileSync } from 'node:child_process'
import { bundle } from '../scripts/bundle.mjs'

const figure = (n) => n.toLocaleString('en', { maximumSignificantDigits: 3 })

export async function measureProof() {
  const once = await bundle('bench/proofOnce.ts')
  const prove = (...size) =>
    JSON.parse(execFileSync(process.execPath, [once, ...size.map(String)], { encoding: 'utf8' }))
  const told = ({ cpu, ms, memory, holds, fails, notProven }, most) =>
    `${figure(cpu)} ms of CPU in a fresh process${most ? ` of ${most} allowed` : ''} (${figure(ms)} ms alone, ${figure(memory)} MB): ${holds} hold, ${fails} fail, ${notProven} not proven`
  const small = prove(30, 10, 8, 16, 1, 5)
  console.log(`Proof, 30 banks x 10 switches x 8 devices x 16 messages: ${told(small, 500)}`)
  console.log(`The same after one switch was edited: ${figure(small.edit)} ms of CPU of 20 allowed`)
  const large = prove(100, 12, 12, 24, 2, 0)
  console.log(`Proof, 100 banks x 12 switches x 2 layers, 12 devices, 24 messages: ${told(large, 3000)}`)
  const sizes = [10, 20, 40, 80]
  const times = sizes.map((banks) => prove(banks, 10, 8, 16, 1, 0).ms)
  const mean = (all) => all.reduce((sum, one) => sum + one, 0) / all.length
  const [x, y] = [sizes.map(Math.log), times.map(Math.log)]
  const slope =
    mean(x.map((one, n) => (one - mean(x)) * (y[n] - mean(y)))) / mean(x.map((one) => (one - mean(x)) ** 2))
  console.log(
    `Proof of ${sizes.join(', ')} banks: ${times.map((ms) => `${figure(ms)} ms`).join(', ')}: slope ${figure(slope)} of 1.2 allowed`,
  )
  execFileSync(process.execPath, [await bundle('bench/spin.ts')], { stdio: 'inherit' })
}
