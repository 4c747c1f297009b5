import { readFileSync } from 'node:fs';
import { BASE, median, withApplication } from './application';

const CLIENTS = 20;
const SAVES = 30;
/** The Bench saves this long after the last change, so nobody saves more often. */
const PAUSE_MS = 400;
const SHELF = 500;

interface Kept {
  readonly id: string;
  readonly version: number;
  readonly train: { name: string; gears: { teeth: number }[] };
}

const send = async (address: string, method: string, body: unknown): Promise<Kept> => {
  const response = await fetch(BASE + address, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
  if (!response.ok) throw new Error(`${method} ${address}: ${response.status}`);
  return (await response.json()) as Kept;
};

/** Twenty people saving different trains at once, none lost; then a long shelf, from the click to what is seen. */
export const benchSaving = (): Promise<void> =>
  withApplication(async (browser) => {
    console.log('\n== saving and the shelf, production build');
    const document = JSON.parse(readFileSync('demo/trains/harvester.train.json', 'utf8')) as Kept['train'];
    const kept = await Promise.all(Array.from({ length: CLIENTS }, (_, i) => send('/api/trains', 'POST', { ...document, name: `Harvester ${i}` })));
    const times: number[] = [];
    await Promise.all(
      kept.map(async ({ id }, client) => {
        await new Promise((done) => setTimeout(done, (PAUSE_MS * client) / CLIENTS));
        for (let save = 1; save <= SAVES; save++) {
          const train = { ...document, gears: document.gears.map((gear, i) => (i === 0 ? { ...gear, teeth: 10 + save } : gear)) };
          const start = performance.now();
          await send(`/api/trains/${id}`, 'PUT', { version: save, train });
          times.push(performance.now() - start);
          await new Promise((done) => setTimeout(done, PAUSE_MS));
        }
      }),
    );
    const ends = await Promise.all(kept.map(async ({ id }) => (await (await fetch(`${BASE}/api/trains/${id}`)).json()) as Kept));
    const lost = ends.filter(({ version, train }) => version !== SAVES + 1 || train.gears[0]!.teeth !== 10 + SAVES).length;
    console.log(`${CLIENTS} clients, ${SAVES} saves each: median acknowledgement ${median(times).toFixed(1)} ms (limit 50), worst ${Math.max(...times).toFixed(1)} ms; trains with a save lost: ${lost} (limit 0)`);

    const rake = JSON.parse(readFileSync('demo/trains/pan-rake.train.json', 'utf8')) as Kept['train'];
    for (let i = 0; i < SHELF; i++) await send('/api/trains', 'POST', { ...rake, name: `Rake ${i}` });
    for (const visit of ['first of this server', 'next', 'third']) {
      // A browser of its own each time: nothing is in its cache.
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      await context.addCookies([{ name: 'visited', value: 'yes', url: BASE }]);
      const page = await context.newPage();
      const start = performance.now();
      await page.goto(BASE);
      await page.getByText(`Rake ${SHELF - 1}`, { exact: true }).waitFor();
      console.log(`Shelf of ${SHELF + CLIENTS + 10} trains, ${visit} visit, until listed: ${(performance.now() - start).toFixed(0)} ms (limit 1000)`);
      await context.close();
    }
  });
