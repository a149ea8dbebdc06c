import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Machine } from '../../core/explore/machine'
import { makePromela } from '../../core/explore/testing/makePromela'

/** Debian's model checker (packages.debian.org/spin), and a compiler for what it writes; installed where that can be done. */
export function hasSpin(): boolean {
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
export const spinStates = (machine: Machine): number => spinRun(machine).states

/** The same, and how long its program took, in ms: without making and building that. */
export function spinRun(machine: Machine): { readonly states: number; readonly ms: number } {
  const folder = mkdtempSync(join(tmpdir(), 'spin-'))
  try {
    writeFileSync(join(folder, 'm.pml'), makePromela(machine))
    const run = (program: string, ...args: string[]) =>
      execFileSync(program, args, { cwd: folder, encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] })
    // -o2: variables that are only written count as well.
    run('spin', '-o2', '-a', 'm.pml')
    run('gcc', '-O1', '-w', '-DBFS', '-DSAFETY', '-DNOREDUCE', '-o', 'pan', 'pan.c')
    const began = performance.now()
    const told = /(\d+) states, stored/.exec(run('./pan', '-m1000000', '-E'))
    return { states: Number(told?.[1]), ms: performance.now() - began }
  } finally {
    rmSync(folder, { recursive: true })
  }
}
