import { unzipSync } from 'fflate';
import { apiServer } from '@/testing/api-server';
import { demoTrain } from '@/testing/demo-train';
import { held } from '@/testing/held';
import * as wire from '.';
import * as replies from './replies';

apiServer();

test('a bundle is had from its address, shown before it comes, and never overwrites unasked', async () => {
  const { id } = held(replies.storedReply, await wire.postTrain(demoTrain('sluice-winch')));
  const response = await fetch(`/api/bundle?train=${id}`);
  expect(response.headers.get('content-type')).toBe('application/zip');
  expect(response.headers.get('content-disposition')).toContain('.bundle.zip');
  const had = await wire.fetchBundlePlan([id]);
  if (!had.ok) throw new Error(had.message);
  const bytes = new Uint8Array(await had.value.arrayBuffer());
  expect(new Uint8Array(await response.arrayBuffer())).toEqual(bytes);
  expect(Object.keys(unzipSync(bytes))).toContain('manifest.json');
  const zip = new Blob([bytes]);
  const { plan } = held(replies.planReply, await wire.planBundle(zip));
  expect(plan.trains).toMatchObject([{ id, name: 'Sluice winch', there: { name: 'Sluice winch', same: true } }]);
  const restored = async (choices: Parameters<typeof wire.postBundle>[1]) =>
    held(replies.restoredReply, await wire.postBundle(zip, choices)).restored;
  expect(await restored({})).toMatchObject({ added: [], replaced: [], skipped: ['Sluice winch'] });
  expect(await restored({ [id]: 'both' })).toMatchObject({
    added: ['Sluice winch (restored)'],
    replaced: [],
    skipped: [],
  });
  expect(await restored({ [id]: 'replace' })).toMatchObject({ added: [], replaced: ['Sluice winch'], skipped: [] });
  const wrong = await wire.postBundle(zip, { [id]: 'burn' as 'skip' });
  expect(wrong).toMatchObject({ ok: false, code: 'bad-request' });
  expect(await wire.planBundle(new Blob(['no zip']))).toMatchObject({
    ok: false,
    code: 'bad-bundle',
    message: expect.stringContaining('not a zip') as string,
  });
  expect(await wire.fetchBundlePlan(['no such'])).toMatchObject({ ok: false, code: 'no-train' });
});
