import { drag, type D3DragEvent } from 'd3-drag'
import { select } from 'd3-selection'
import { onBeforeUnmount, onMounted, type ShallowRef } from 'vue'

interface DragHandlers {
  /** Px on the screen since the drag began. */
  readonly onMove: (dx: number, dy: number, event: MouseEvent | TouchEvent) => void
  /** `moved` is false for what was only a click. */
  readonly onEnd: (dx: number, dy: number, moved: boolean, event: MouseEvent | TouchEvent) => void
}

/** A click trembles a little. */
const CLICK_DISTANCE = 4

/** Lets an element be dragged with mouse or finger; a click stays a click. */
export function useBoxDrag(
  element: Readonly<ShallowRef<HTMLElement | null>>,
  { onMove, onEnd }: DragHandlers,
): void {
  type Event = D3DragEvent<HTMLElement, unknown, unknown>
  let [x, y] = [0, 0]
  let isMoved = false
  const at = ({ sourceEvent }: Event): { x: number; y: number } => {
    const source = sourceEvent as MouseEvent & Partial<TouchEvent>
    const point = source.changedTouches?.[0] ?? source
    return { x: point.clientX, y: point.clientY }
  }
  onMounted(() => {
    const behaviour = drag<HTMLElement, unknown>()
      .clickDistance(CLICK_DISTANCE)
      .container(() => document.body)
      .on('start', (event: Event) => {
        ;({ x, y } = at(event))
        isMoved = false
      })
      .on('drag', (event: Event) => {
        const now = at(event)
        isMoved ||= Math.hypot(now.x - x, now.y - y) > CLICK_DISTANCE
        if (isMoved) onMove(now.x - x, now.y - y, event.sourceEvent as MouseEvent)
      })
      .on('end', (event: Event) => {
        const now = at(event)
        onEnd(now.x - x, now.y - y, isMoved, event.sourceEvent as MouseEvent)
      })
    select(element.value!).call(behaviour)
  })
  onBeforeUnmount(() => {
    if (element.value) select(element.value).on('.drag', null)
  })
}
