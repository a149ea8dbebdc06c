import { execFileSync } from 'node:child_process'

/** Debian's own comes first: its packages are for it. */
const INTERPRETERS = ['/usr/bin/python3', 'python3']

/** A python3 that has a module, or was given it from Debian's package; null where there is none. */
export function pythonWith(module: string, fromPackage: string): string | null {
  const found = () => INTERPRETERS.find((one) => didRun(one, ['-c', `import ${module}`])) ?? null
  return found() ?? (didRun('apt-get', ['install', '-y', fromPackage]) ? found() : null)
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
export const runPython = <Value>(interpreter: string, script: string, input: unknown): Value =>
  JSON.parse(
    execFileSync(interpreter, ['-c', script], {
      input: JSON.stringify(input),
      encoding: 'utf8',
      maxBuffer: 1 << 26,
    }),
  ) as Value
