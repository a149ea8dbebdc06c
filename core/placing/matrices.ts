import type { Placing } from './placing'

/** A placing as two full matrices of one size: who hurries and who belongs together is left out. */
export interface Matrices {
  readonly n: number
  readonly flow: Float64Array
  readonly distance: Float64Array
  /** What an item pays alone in a place, n by n. */
  readonly alone: Float64Array
  /** Items that may be exchanged: free places are items nobody goes to. */
  readonly isFixed: Uint8Array
}

/**
 * Both symmetric where one of them was: the sum over i, j of f[i][j] d[p(i)][p(j)] stays the same when the other one is
 * replaced by half of itself and its transpose.
 */
export function matricesOf({
  items,
  places: n,
  pairs,
  cost,
  alone,
  isFixed,
}: Placing): Matrices & { isSymmetric: boolean } {
  const flow = new Float64Array(n * n)
  for (const { from, to, weight } of pairs) flow[from * n + to]! += weight
  const distance = cost.slice()
  const [isFlow, isDistance] = [isSymmetric(flow, n), isSymmetric(distance, n)]
  if (isFlow && !isDistance) makeSymmetric(distance, n)
  if (isDistance && !isFlow) makeSymmetric(flow, n)
  return {
    n,
    flow,
    distance,
    alone: Float64Array.from({ length: n * n }, (_, k) => (k < items * n ? (alone?.[k] ?? 0) : 0)),
    isFixed: Uint8Array.from({ length: n }, (_, u) => (u < items && isFixed[u] ? 1 : 0)),
    isSymmetric: isFlow || isDistance,
  }
}

function isSymmetric(matrix: Float64Array, n: number): boolean {
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) if (matrix[i * n + j] !== matrix[j * n + i]) return false
  return true
}

function makeSymmetric(matrix: Float64Array, n: number): void {
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) {
      const half = (matrix[i * n + j]! + matrix[j * n + i]!) / 2
      matrix[i * n + j] = half
      matrix[j * n + i] = half
    }
}
