import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Machine } from './machine'
import { machines } from './makeMachines'
import { makePromela } from './makePromela'
import { exploreWhole } from './wholeStates'

/** Debian's model checker (packages.debian.org/spin), and a compiler for what it writes; installed where that can be done. */
function hasSpin(): boolean {
  const isThere = () => {
    try {
      execFileSync('spin', ['-V'], { stdio: 'ignore' })
      execFileSync('gcc', ['--version'], { stdio: 'ignore' })
      return true
    } catch {
      return false
    }
  }
  if (isThere()) return true
  try {
    execFileSync('apt-get', ['install', '-y', '--no-install-recommends', 'spin', 'gcc', 'libc6-dev'], {
      stdio: 'ignore',
      timeout: 120_000,
    })
  } catch {
    return false
  }
  return isThere()
}

/** How many states spin stores of a machine, searched breadth first and without reduction. */
function spinStates(machine: Machine): number {
  const folder = mkdtempSync(join(tmpdir(), 'spin-'))
  try {
    writeFileSync(join(folder, 'm.pml'), makePromela(machine))
    const run = (program: string, ...args: string[]) =>
      execFileSync(program, args, { cwd: folder, encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] })
    // -o2: variables that are only written count as well.
    run('spin', '-o2', '-a', 'm.pml')
    run('gcc', '-O1', '-w', '-DBFS', '-DSAFETY', '-DNOREDUCE', '-o', 'pan', 'pan.c')
    const told = /(\d+) states, stored/.exec(run('./pan', '-m1000000', '-E'))
    return Number(told?.[1])
  } finally {
    rmSync(folder, { recursive: true })
  }
}

const isHere = hasSpin()

describe('a witness from outside', () => {
  if (!isHere) it.skip('spin is not on this machine and could not be installed: nothing is compared with it')
  it.runIf(isHere)(
    'spin comes to as many states: eight machines',
    () => {
      const some = fc
        .sample(machines, { numRuns: 600, seed: 19_2026 })
        .filter((machine) => exploreWhole(machine)!.states > 20)
        .slice(0, 8)
      expect(some).toHaveLength(8)
      for (const machine of some) expect(spinStates(machine)).toBe(exploreWhole(machine)!.states)
    },
    180_000,
  )
})
