import { defineConfig } from '@playwright/test';

const PORT = 3217;

/** Journeys through the built application in Debian's Chromium, on a database of their own. */
export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    // Not a first visit: the shelf opens, nothing turns by itself.
    storageState: {
      cookies: [
        {
          name: 'visited',
          value: 'yes',
          domain: '127.0.0.1',
          path: '/',
          expires: -1,
          httpOnly: false,
          secure: false,
          sameSite: 'Lax',
        },
      ],
      origins: [],
    },
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.TINWHEEL_CHROMIUM ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    },
  },
  webServer: {
    command: 'rm -rf test-results/data && node dist/serve.cjs',
    url: `http://127.0.0.1:${PORT}/api/trains`,
    env: { PORT: String(PORT), TINWHEEL_DB: 'test-results/data/e2e.sqlite', NEXT_TELEMETRY_DISABLED: '1' },
    reuseExistingServer: false,
  },
});
