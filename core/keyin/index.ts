/** What `keyin` hands out: nothing outside passes this door (tests do). */
export type { KeyStep } from './amending'
export { sameContent, type Content, type List, type ListId } from './content'
export { heldIn } from './held'
export {
  keepHeard,
  sayAllKeyedIn,
  sayNothingKeyedIn,
  sayNothingKnown,
  setKeying,
  tickLine,
  untick,
  type Holding,
  type Said,
} from './keyInEdits'
export { boardOf, capacityOf, placeOfKey, shapeOf, type Place, type Unit } from './keyPlaces'
export { keyingOf } from './keyingOf'
export { USUAL_KEYINGS } from './manners/manners'
export { pressPanel, startPanel, type Panel } from './panel'
export { panelView } from './panelView'
export { canHold, type Row } from './rows'
export type { Press, Stroke } from './setting'
export { boxOfController, knownIn, sheetOf, type SheetLine as KeyInLine } from './sheet'
export { rowText } from './showing'
export { toldSheet, type ToldSheet } from './told'
export type { Box as PanelBox } from './ways'
