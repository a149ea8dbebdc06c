import { defineNuxtPlugin } from 'nuxt/app'
import PrimeVue from 'primevue/config'
import Tooltip from 'primevue/tooltip'
import { preset } from '~/theme/preset'

export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.use(PrimeVue, {
    ripple: false,
    theme: { preset, options: { darkModeSelector: "[data-theme='stage']", cssLayer: false } },
  })
  vueApp.directive('tooltip', Tooltip)
})
