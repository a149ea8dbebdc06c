import { useEventListener } from '@vueuse/core'
import { onBeforeUnmount, ref } from 'vue'

/**
 * What a field does as it is left. With a pointer down it waits until the click has its target: what taking it brings (a note
 * above, another row) would move that away under the hand. `take` may be called again, and then finds nothing to take.
 */
export function useTakeOnLeave(take: () => void): () => void {
  const isDown = ref(false)
  let isWaiting = false
  const now = (): void => {
    if (!isWaiting) return
    isWaiting = false
    take()
  }
  useEventListener(window, 'pointerdown', () => (isDown.value = true), { capture: true })
  // Before the click is heard by what it is on: that may show another row here.
  useEventListener(window, 'click', now, { capture: true })
  for (const end of ['pointerup', 'pointercancel'] as const)
    useEventListener(
      window,
      end,
      () => {
        isDown.value = false
        window.setTimeout(now, 0)
      },
      { capture: true },
    )
  onBeforeUnmount(now)
  return () => {
    isWaiting = true
    if (!isDown.value) now()
  }
}
