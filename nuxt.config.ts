import { createHash } from 'node:crypto'
import { fileURLToPath } from 'node:url'
import { ownModules } from './build/ownModules'
import { sharedChunks } from './build/sharedChunks'
import { workerChunk } from './build/workerChunk'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

// Tests are checked by tsconfig.tests.json; of the core its declarations are read (scripts/types.mjs).
const PROJECT = {
  compilerOptions: { noUnusedLocals: true },
  exclude: ['../**/*.test.ts', '../**/testing/**'],
  references: [{ path: '../core/tsconfig.json' }],
}

export default defineNuxtConfig({
  compatibilityDate: '2026-05-01',
  telemetry: false,
  devtools: { enabled: false },
  ssr: false,
  spaLoadingTemplate: true,
  modules: ['@pinia/nuxt', 'nuxt-security', '@vite-pwa/nuxt'],
  // A reader sees where every name comes from.
  imports: { autoImport: false, scan: false },
  components: { dirs: [] },
  alias: { '#core': here('./core') },
  css: [
    '@fontsource-variable/bricolage-grotesque/wght.css',
    '@fontsource-variable/hanken-grotesk/wght.css',
    '@fontsource-variable/spline-sans-mono/wght.css',
    '~/assets/tokens.css',
    '~/assets/base.css',
  ],
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Wire Step',
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        {
          name: 'description',
          content: 'Plan, check and key in what every step on a MIDI foot controller sends.',
        },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' },
        { rel: 'manifest', href: '/manifest.webmanifest', crossorigin: 'use-credentials' },
      ],
    },
  },
  experimental: {
    // Nothing is rendered on the server that would have to be read on the page.
    renderJsonPayloads: false,
    payloadExtraction: false,
    // The page's own service worker sees to new builds.
    appManifest: false,
  },
  hooks: {
    // A view's code is fetched when the player goes there: the first visit stays small.
    'build:manifest': (manifest) => {
      for (const file of Object.values(manifest)) {
        file.prefetch = false
        file.dynamicImports = []
        // The worker is no beginning of the page.
        if (file.src?.endsWith('.worker.ts')) file.isEntry = false
      }
    },
  },
  typescript: { strict: true, tsConfig: PROJECT, nodeTsConfig: PROJECT, sharedTsConfig: PROJECT },
  // Small fonts too stay files: the content policy allows no data: fonts.
  vite: {
    plugins: [workerChunk(here('./app/workers/rig.worker.ts')), ownModules(here('.'))],
    build: { assetsInlineLimit: 0, rolldownOptions: { output: { codeSplitting: sharedChunks } } },
  },
  nitro: {
    typescript: { tsConfig: PROJECT },
    imports: false,
    errorHandler: here('./server/http/errorHandler.ts'),
    serverAssets: [
      { baseName: 'migrations', dir: here('./server/db/migrations') },
      // The app's own face as TrueType, for papers: a PDF takes no web font.
      { baseName: 'font-regular', dir: here('./node_modules/@expo-google-fonts/hanken-grotesk/400Regular') },
      { baseName: 'font-bold', dir: here('./node_modules/@expo-google-fonts/hanken-grotesk/700Bold') },
    ],
    compressPublicAssets: { gzip: true, brotli: true },
  },
  // Installed, the shell opens without the server; rigs are kept by the app itself (app/platform/rigShelf.ts).
  pwa: {
    // A new version is taken at the next start: nothing reloads under a foot.
    registerType: 'prompt',
    manifest: {
      name: 'Wire Step',
      short_name: 'Wire Step',
      description: 'Plan, check and key in what every step on a MIDI foot controller sends.',
      lang: 'en',
      start_url: '/',
      display: 'standalone',
      background_color: '#e9eeec',
      theme_color: '#17282d',
      icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
    },
    workbox: {
      globPatterns: ['**/*.{js,css,woff2,svg}'],
      navigateFallback: '/',
      navigateFallbackDenylist: [/^\/api\//, /^\/sign-in/],
      // The page itself belongs to the files it names: it is another as soon as one of them is.
      manifestTransforms: [
        (entries) => {
          const told = JSON.stringify(entries.map(({ url, revision }) => [url, revision]).sort())
          const revision = createHash('sha256').update(told).digest('hex').slice(0, 16)
          return { manifest: [...entries, { url: '/', revision, size: 0 }] }
        },
      ],
      cleanupOutdatedCaches: true,
    },
    client: { installPrompt: false },
  },
  security: {
    headers: {
      contentSecurityPolicy: {
        'base-uri': ["'none'"],
        'default-src': ["'self'"],
        'connect-src': ["'self'"],
        'font-src': ["'self'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
        'img-src': ["'self'", 'data:'],
        'object-src': ["'none'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'", "'strict-dynamic'"],
        'script-src-attr': ["'none'"],
        // PrimeVue writes its theme into <style>.
        'style-src': ["'self'", "'unsafe-inline'"],
        'worker-src': ["'self'"],
        // Served over plain http on the player's own machine.
        'upgrade-insecure-requests': false,
      },
      crossOriginEmbedderPolicy: false,
      strictTransportSecurity: false,
      xFrameOptions: 'DENY',
      referrerPolicy: 'same-origin',
      crossOriginResourcePolicy: 'same-origin',
      permissionsPolicy: { camera: [], geolocation: [], microphone: [], midi: ['self'] },
    },
    // Who may ask how often is the front door's business (server/http/frontDoor.ts).
    rateLimiter: false,
    // Bodies are limited by the routes themselves (server/http/body.ts), which know how long each may be.
    requestSizeLimiter: false,
    xssValidator: false,
    corsHandler: false,
  },
  // The built server begins in a file of our own; the dev server has its own beginning.
  $production: { nitro: { entry: here('./server/main.ts') } },
})
