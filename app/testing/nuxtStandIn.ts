// What the components ask of Nuxt itself, without it: links and pages are the router's own.
export { RouterLink as NuxtLink, RouterView as NuxtPage } from 'vue-router'

export const definePageMeta = (): void => {}
export const useRequestURL = (): URL => new URL('http://wire-step.test/')
