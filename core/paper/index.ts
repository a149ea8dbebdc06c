/** What `paper` hands out: nothing outside passes this door (tests do). */
export { cableTags, type CableTag, type TagEnd } from './cableTags'
export { standIn, type BoardMap, type BoardTile, type FootGestures, type StandIn } from './forAnother'
export { setSheet, stripsOf, type SheetLine, type Strip } from './paper'
