import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { ERRORS } from './errors'

it('the documented table and the one in force are the same', () => {
  const text = readFileSync(new URL('../docs/errors.md', import.meta.url), 'utf8')
  const documented = Array.from(
    text.matchAll(/^\| `(\w+)` +\| (\d+) +\| (.*?) +\|$/gm),
    ([, code, status, message]) => [code, { status: Number(status), message }],
  )
  expect(Object.fromEntries(documented)).toEqual(ERRORS)
})
