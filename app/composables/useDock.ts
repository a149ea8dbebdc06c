import { ref } from 'vue'

/** What the middle of the floor shows. */
export type DockTab = 'step' | 'minute' | 'monitor' | 'lamps' | 'runs' | 'power' | 'midi'

const tab = ref<DockTab>('step')
const isTall = ref(false)

/** How the floor under every view stands: what it shows, and how high it is. */
export const useDock = () => ({
  tab,
  isTall,
  turnTall: () => {
    isTall.value = !isTall.value
  },
})
