import { chromium, type Browser } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const PORT = 3218;
export const BASE = `http://127.0.0.1:${PORT}`;

/** Runs a measurement against the built application, on a database of its own, in Debian's Chromium. */
export async function withApplication(run: (browser: Browser) => Promise<void>): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'tin-wheel-bench-'));
  const server = spawn(process.execPath, ['dist/serve.cjs'], {
    env: {
      ...process.env,
      PORT: String(PORT),
      TINWHEEL_DB: join(folder, 'bench.sqlite'),
      NEXT_TELEMETRY_DISABLED: '1',
    },
    stdio: 'ignore',
  });
  const browser = await chromium.launch({
    executablePath: process.env.TINWHEEL_CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    await answering();
    await run(browser);
  } finally {
    await browser.close();
    server.kill();
    rmSync(folder, { recursive: true });
  }
}

async function answering(): Promise<void> {
  for (let i = 0; i < 100; i++) {
    if (
      await fetch(`${BASE}/api/trains`).then(
        (response) => response.ok,
        () => false,
      )
    )
      return;
    await new Promise((done) => setTimeout(done, 200));
  }
  throw new Error('The server did not start. Run npm run build first.');
}

export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
