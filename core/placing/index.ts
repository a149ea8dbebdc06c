/** What `placing` hands out: nothing outside passes this door (tests do). */
export { improve, settled } from './improve'
export { matricesOf } from './matrices'
export { costOf, plainPlacing, type Places, type Placing } from './placing'
export { Tabu } from './tabu'
