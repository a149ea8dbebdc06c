/** What `map` hands out: nothing outside passes this door (tests do). */
export { linesOf, routeLines, type Line, type CableRoute } from './cableWay'
export { BOX } from './grid'
export { freeSpot, spots } from './spots'
export { tidy } from './tidy'
