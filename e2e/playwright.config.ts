import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  outputDir: '../test-results',
  fullyParallel: true,
  timeout: 90_000,
  expect: { timeout: Number(process.env.PATIENCE ?? 20_000) },
  reporter: [['list'], ['json']],
  use: {
    // Colours that are still changing can't be judged.
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: process.env.OTTER_BROWSER,
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
