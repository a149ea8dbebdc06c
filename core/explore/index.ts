/** What `explore` hands out: nothing outside passes this door (tests do). */
export {
  LEFT,
  coneOf,
  made,
  placeless,
  rowOf,
  type Effect,
  type Machine,
  type MachineMove,
  type State,
  type Table,
} from './machine'
export { isAlways, type Need } from './need'
export { project, wayTo, type Projection } from './project'
export { refinedRun } from './refine'
export { walked, type Budget, type Found } from './shortest'
