/** What the foot is asked to do, one after the other; times in ms. */
export interface FootPart {
  readonly kind: 'heel' | 'up' | 'toe' | 'down'
  readonly from: number
  readonly to: number
}

const REST = 700
const WAY = 1500

/** Rest at the heel, to the toe, rest, and back, twice. */
export const GUIDE: readonly FootPart[] = partsOf(
  Array.from(
    { length: 2 },
    () =>
      [
        ['heel', REST],
        ['up', WAY],
        ['toe', REST],
        ['down', WAY],
      ] as const,
  )
    .flat()
    .concat([['heel', REST]]),
)

function partsOf(parts: readonly (readonly [FootPart['kind'], number])[]): FootPart[] {
  let from = 0
  return parts.map(([kind, takes]) => {
    const part = { kind, from, to: from + takes }
    from += takes
    return part
  })
}

/** How long the guided sweep takes, in ms. */
export const GUIDE_MS = GUIDE.at(-1)!.to

/** Where a foot that does as it is asked is at a moment: 0 at the heel, 1 at the toe. It sets off and arrives gently. */
export function guidedFoot(at: number, parts: readonly FootPart[] = GUIDE): number {
  const part = parts.find(({ to }) => at < to) ?? parts.at(-1)!
  if (part.kind === 'heel') return 0
  if (part.kind === 'toe') return 1
  const way = Math.min(1, Math.max(0, (at - part.from) / (part.to - part.from)))
  const eased = way * way * way * (10 - 15 * way + 6 * way * way)
  return part.kind === 'up' ? eased : 1 - eased
}
