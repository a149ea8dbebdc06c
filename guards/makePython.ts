import { execFileSync } from 'node:child_process'

/** Whether a module of Debian's python3 is here, or could be put here from its package. */
export function hasPython(module: string, fromPackage: string): boolean {
  const isThere = () => didRun('python3', ['-c', `import ${module}`])
  return isThere() || (didRun('apt-get', ['install', '-y', fromPackage]) && isThere())
}

function didRun(command: string, args: readonly string[]): boolean {
  try {
    execFileSync(command, args, { stdio: 'ignore', timeout: 240_000 })
    return true
  } catch {
    return false
  }
}

/** What a script prints as JSON, given `input` as JSON. */
export const python = <Value>(script: string, input: unknown): Value =>
  JSON.parse(
    execFileSync('python3', ['-c', script], {
      input: JSON.stringify(input),
      encoding: 'utf8',
      maxBuffer: 1 << 26,
    }),
  ) as Value
