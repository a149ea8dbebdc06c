import { defineConfig, devices } from '@playwright/test'

const port = Number(process.env.E2E_PORT ?? 3830)

const desktop = { ...devices['Desktop Chrome'], viewport: { width: 1280, height: 800 } }
const ALONE = /(?:files|firstMinutes|firstVisit|kill|offline|tabs)\.spec\.ts$/

export default defineConfig({
  testDir: 'e2e',
  // Patience, not a measure: a shared machine may stand still for half a minute. What fails once is tried once more and named.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  retries: 1,
  // Two at a time take longer on two cores, and a foot's timing then slips; with more cores set E2E_WORKERS.
  workers: Number(process.env.E2E_WORKERS ?? 1),
  reporter: 'list',
  forbidOnly: process.env.CI !== undefined,
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    // Only e2e/offline.spec.ts is about it: elsewhere a page kept from before would hide what the server does.
    serviceWorkers: 'block',
    trace: 'retain-on-failure',
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
      ],
    },
  },
  projects: [
    { name: 'chromium', use: desktop, testIgnore: ALONE },
    // Those that count all rigs of the server, or measure: nobody else may be at it.
    { name: 'alone', use: desktop, testMatch: ALONE, workers: 1, dependencies: ['chromium'] },
  ],
  webServer: {
    command: 'node .output/server/index.mjs',
    url: `http://127.0.0.1:${port}/api/health`,
    reuseExistingServer: false,
    timeout: 30_000,
    env: {
      PORT: String(port),
      HOST: '127.0.0.1',
      DATABASE_URL: `file:.data/e2e-${process.pid}.db`,
      WIRE_STEP_DEMO: '1',
    },
  },
})
