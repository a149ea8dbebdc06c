// What the components ask of Nuxt itself, without it: pages are the router's own.
export { RouterView as NuxtPage } from 'vue-router'

export const definePageMeta = (): void => {}
export const useRequestURL = (): URL => new URL('http://wire-step.test/')
