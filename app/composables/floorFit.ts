/** The floor whole with names of two lines, whole with names of one, or folded to a line of keys. */
export type FloorForm = 'roomy' | 'tight' | 'line'

/** Lower than this and a window is short: a phone held sideways, a page at 200 %. In px. */
const SHORT = 480
/** What the view keeps of a window's height where the floor stands below it; with tight rows in a high window, half. */
const VIEW_SHARE = 0.6
const HIGH = 600
/** The dock without its rows of switches: its edges, the line of the bank, the gaps. In px; the styles of FloorPane say the same. */
const FRAME = 52
const GAP = 6
const TILE = { roomy: 54, tight: 36 }
/** One pedal, and what stands in its place where a lamp lies. */
const UNDER = 24
/** Below this width a page is a phone's: it scrolls, and the floor stands above the view. */
const PHONE = 620

/** Room for pedals and for what a lamp that lies says: two lines, three where there are more pedals, one where it is tight. In px. */
export const underHeight = (form: FloorForm, pedals: number): number =>
  UNDER * (form === 'tight' || pedals === 0 ? 1 : Math.min(3, Math.max(2, pedals)))

/** How high the floor is with every switch whole. `rows`: of the controller, and one where there are switches on jacks. In px. */
export const floorHeight = (form: 'roomy' | 'tight', rows: number, pedals: number): number =>
  FRAME + rows * TILE[form] + Math.max(0, rows - 1) * GAP + underHeight(form, pedals)

/** The stages above the view, as AppRail lays them. In px. */
const railHeight = (width: number): number => (width > 900 ? 0 : width > 800 ? 56 : 106)

/** The roomiest form that leaves the view its share of a window. All lengths in CSS px. */
export function floorForm(
  { width, height }: { width: number; height: number },
  rows: number,
  pedals: number,
): FloorForm {
  if (height < SHORT) return 'line'
  if (width <= PHONE) return 'roomy'
  const leaves = (form: 'roomy' | 'tight', share: number) =>
    height - railHeight(width) - floorHeight(form, rows, pedals) >= share * height
  if (leaves('roomy', VIEW_SHARE)) return 'roomy'
  return leaves('tight', height < HIGH ? VIEW_SHARE : 0.5) ? 'tight' : 'line'
}

/** Raised, the floor shares its column with the list of devices, which gives way first. */
export function raisedForm({ height }: { height: number }, rows: number, pedals: number): 'roomy' | 'tight' {
  return floorHeight('roomy', rows, pedals) <= raisedHeight(height) - 60 ? 'roomy' : 'tight'
}

/** How high a raised floor is, unless its switches need more. In px, as the styles of FloorDock say. */
const raisedHeight = (height: number): number => Math.min(400, 0.62 * height)
