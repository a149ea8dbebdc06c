import { ref, watchEffect } from 'vue'
import { browserKeep } from '~/platform/keep'

/** Light for the desk, dark for the stage. */
export type Theme = 'light' | 'stage'

const KEY = 'wire-step/theme'

const theme = ref<Theme>(browserKeep.read(KEY) === 'stage' ? 'stage' : 'light')

watchEffect(() => {
  document.documentElement.dataset.theme = theme.value
})

/** The theme, remembered by this browser. */
export function useTheme() {
  return {
    theme,
    toggleTheme: () => {
      theme.value = theme.value === 'stage' ? 'light' : 'stage'
      browserKeep.write(KEY, theme.value)
    },
  }
}
