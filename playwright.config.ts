import { availableParallelism } from 'node:os'
import { defineConfig, devices } from '@playwright/test'

/** As Playwright has them, since the last list named counts, and the pages of the browser's own address bar, which take as long as the app. */
const WITHOUT = [
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsUpgrades',
  'HttpsFirstBalancedModeAutoEnable',
  'LensOverlay',
  'MediaRouter',
  'PaintHolding',
  'ThirdPartyStoragePartitioning',
  'AvoidCorsURLLoaderRestartOnRedirect',
  'OptimizationHints',
  'NetworkTimeServiceQuerying',
  'AimEnabled',
  'PreconnectToSearch',
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
]

const desktop = { ...devices['Desktop Chrome'], viewport: { width: 1280, height: 800 } }
export default defineConfig({
  testDir: 'e2e',
  // Patience, not a measure: a shared machine may stand still for half a minute. What fails once is tried once more and named.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  retries: 1,
  // Each worker has a server of its own (e2e/player.ts): no test meets what another does.
  fullyParallel: true,
  workers: Number(process.env.E2E_WORKERS ?? Math.min(4, availableParallelism())),
  reporter: 'list',
  forbidOnly: process.env.CI !== undefined,
  use: {
    viewport: { width: 1280, height: 800 },
    // Only e2e/offline.spec.ts is about it: elsewhere a page kept from before would hide what the server does.
    serviceWorkers: 'block',
    trace: 'on-first-retry',
    actionTimeout: 30_000,
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
        '--disable-breakpad',
        '--mute-audio',
        `--disable-features=${WITHOUT.join(',')}`,
      ],
    },
  },
  projects: [{ name: 'chromium', use: desktop }],
})
