import { defineConfig } from '@playwright/test';
import { existsSync } from 'node:fs';

/** The shell draws no window of its own, so that a page costs a third less of the machine. */
const BROWSERS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** Journeys through the built application in Debian's Chromium, each worker's on a server and a database of its own. */
export default defineConfig({
  testDir: 'e2e',
  workers: 2,
  timeout: 180_000,
  expect: { timeout: 10_000 },
  reporter: [['list']],
  use: {
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
      executablePath: process.env.TINWHEEL_CHROMIUM ?? BROWSERS.find((path) => existsSync(path)),
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    },
  },
});
