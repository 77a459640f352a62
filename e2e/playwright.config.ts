import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  outputDir: process.env.OTTER_TEST_OUTPUT ?? 'test-results',
  workers: Number(process.env.WORKERS ?? 1),
  timeout: 90_000,
  expect: { timeout: Number(process.env.PATIENCE ?? 20_000) },
  reporter: [['list'], ['json']],
  use: {
    // Colours that are still changing can't be judged.
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // A name of a school's server, on which pages have no rights that need a secure address.
        '--host-resolver-rules=MAP otter.quay.example 127.0.0.1',
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
      ],
    },
  },
})
