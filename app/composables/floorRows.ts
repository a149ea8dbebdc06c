import { switchCount, type Controller } from '#core/rig'

/** Footswitch numbers as they lie on the floor, seen from above: the far row first. */
export function floorRows({ rows, columns }: Pick<Controller, 'rows' | 'columns'>): number[][] {
  const numbers = Array.from({ length: switchCount({ rows, columns }) }, (_, n) => n + 1)
  return Array.from({ length: rows }, (_, row) => numbers.slice(row * columns, (row + 1) * columns)).reverse()
}
