/**
 * Writes a failure of ours to the log: `what` was asked, the kinds of error inside one another, and where. Never
 * what an error says or what was sent: queries and edits hold what the player wrote.
 */
export function logFault(what: string, error: unknown): void {
  const kinds: string[] = []
  let places = ''
  for (let at = error, deep = 0; at instanceof Error && deep < 8; at = at.cause, deep++) {
    const code: unknown = Reflect.get(at, 'code')
    kinds.push(typeof code === 'string' ? `${at.name} ${code}` : at.name)
    places = framesOf(at)
  }
  console.error(`${what} failed: ${kinds.join(', because of ') || typeof error}\n${places}`)
}

const framesOf = ({ stack = '' }: Error): string =>
  stack
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 12)
    .join('\n')
