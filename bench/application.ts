import { chromium, type Browser } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const PORT = 3218;
export const BASE = `http://127.0.0.1:${PORT}`;

/** Runs a measurement against the built application, on a database of its own, in Debian's Chromium. */
export async function withApplication(run: (browser: Browser) => Promise<void>): Promise<void> {
  if (await answers()) throw new Error(`Something answers at ${BASE} already: stop it first, or it would be measured.`);
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
  let browser: Browser | null = null;
  try {
    browser = await chromium.launch({
      executablePath: process.env.TINWHEEL_CHROMIUM ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    });
    await answering();
    await run(browser);
  } finally {
    await browser?.close();
    server.kill();
    rmSync(folder, { recursive: true });
  }
}

const answers = (): Promise<boolean> =>
  fetch(`${BASE}/api/trains`).then(
    (response) => response.ok,
    () => false,
  );

async function answering(): Promise<void> {
  for (let i = 0; i < 100; i++) {
    if (await answers()) return;
    await new Promise((done) => setTimeout(done, 200));
  }
  throw new Error('The server did not start. Run npm run build first.');
}

/** The value that so large a part of them stay below. */
export const quantile = (values: readonly number[], part: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * part))]!;

export const median = (values: readonly number[]): number => quantile(values, 0.5);

/**
 * Times from something that is done in the page to the frame that shows it, and what a frame takes in which nothing is
 * done.
 */
export interface Painted {
  readonly times: readonly number[];
  readonly empty: readonly number[];
}

/** "median 17 ms, p95 22, worst 30; 1.1 of an empty frame": machines differ, so the ratio is the figure to compare. */
export const paintedText = ({ times, empty }: Painted): string =>
  `median ${median(times).toFixed(1)} ms, p95 ${quantile(times, 0.95).toFixed(1)}, worst ` +
  `${Math.max(...times).toFixed(1)}; ${(median(times) / median(empty)).toFixed(2)} of an empty frame ` +
  `(${median(empty).toFixed(1)} ms)`;
