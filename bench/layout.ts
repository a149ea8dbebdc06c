import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { improve, matricesOf, plainPlacing, Tabu, costOf, type Placing } from '#core/placing'
import { showOn } from '#core/rig'
import { boardQuestion } from '#core/show'
import { PlainTabu } from '../core/placing/testing/plainTabu'
import { seeded } from '../core/base/seeded'
import { compare } from './measure'
import { longShow } from './longShow'

/** CPU of this process so far, in ms. */
const cpu = (): number => {
  const { user, system } = process.cpuUsage()
  return (user + system) / 1000
}

/** The cheapest after so much CPU, or sooner where nothing can be cheaper. */
function within(problem: Placing, start: Int32Array, ms: number, seed: number, bound = -Infinity) {
  const began = cpu()
  for (const found of improve(problem, start, seed))
    if (found.cost <= bound || cpu() - began > ms) return { cost: found.cost, ms: cpu() - began }
  throw new Error('The search ended')
}

const inOrder = (n: number) => Int32Array.from({ length: n }, (_, k) => k)

/** A set played from the first to the last on a grid of places one apart: n - 1 and no less. */
function chainOnGrid(side: number): { problem: Placing; start: Int32Array } {
  const n = side * side
  const flow = Float64Array.from({ length: n * n }, (_, k) => (k % n === Math.floor(k / n) + 1 ? 1 : 0))
  const distance = Float64Array.from({ length: n * n }, (_, k) => {
    const [p, q] = [Math.floor(k / n), k % n]
    return Math.abs((p % side) - (q % side)) + Math.abs(Math.floor(p / side) - Math.floor(q / side))
  })
  const random = seeded(n)
  const all = [...inOrder(n)]
  return {
    problem: plainPlacing(n, flow, distance),
    start: Int32Array.from({ length: n }, () => all.splice(Math.floor(random() * all.length), 1)[0]!),
  }
}

/** Layout: published optima, iterations beside the textbook's form of the same search, a long set list. */
export function measureLayout(root: string): void {
  const folder = join(root, 'core/placing/qaplib')
  for (const name of readdirSync(folder).filter((one) => one.endsWith('.json'))) {
    const { n, A, B, optimum } = JSON.parse(readFileSync(join(folder, name), 'utf8')) as {
      n: number
      A: number[]
      B: number[]
      optimum: number
    }
    const runs = [1, 2, 3].map((seed) => within(plainPlacing(n, A, B), inOrder(n), 1000, seed, optimum))
    const gap = Math.max(...runs.map(({ cost }) => cost / optimum - 1)) * 100
    const slowest = Math.max(...runs.map(({ ms }) => ms))
    console.log(
      `Layout, ${name.replace('.json', '')} (QAPLIB), worst of three seeds: ${gap.toFixed(2)} % above the published optimum, ${slowest.toFixed(0)} ms of CPU of 1000 allowed`,
    )
  }
  for (const side of [6, 8, 10]) {
    const { problem, start } = chainOnGrid(side)
    const costs = [1, 2, 3].map((seed) => within(problem, start, 3000, seed, side * side - 1).cost)
    console.log(
      `Layout, a chain on ${side} x ${side} places, worst of three seeds in 3 s of CPU: ${Math.max(...costs)}, best possible ${side * side - 1}`,
    )
  }
  for (const n of [30, 80, 100]) {
    const random = seeded(n)
    const matrix = () => {
      const cells = Float64Array.from({ length: n * n }, () => Math.floor(random() * 1e5))
      for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) cells[i * n + j] = cells[j * n + i]!
      return cells
    }
    const [flow, distance] = [matrix(), matrix()]
    const ours = new Tabu(matricesOf(plainPlacing(n, flow, distance)), seeded(1))
    ours.load(inOrder(n))
    const plain = new PlainTabu(n, flow, distance, inOrder(n), seeded(1))
    compare(
      `Layout, iterations at n = ${n}`,
      'iterations',
      50,
      () => ours.run(50),
      "the textbook's form",
      () => plain.run(50),
    )
  }
  const rig = longShow()
  const question = boardQuestion(rig, showOn(rig)!)
  if (typeof question === 'string') throw new Error(question)
  const { problem, start } = question
  const first = costOf(problem, start)
  for (const seed of [1, 2, 3]) {
    const half = within(problem, start, 3000, seed, first / 2)
    const { cost, ms } = within(problem, start, 300, seed)
    console.log(
      `Layout, a set of ${problem.items} sounds on ${problem.places} places, seed ${seed}: half of first-use order after ${half.ms.toFixed(0)} ms of CPU (300 allowed), ${(cost / first).toFixed(3)} of it after ${ms.toFixed(0)} ms`,
    )
  }
}
