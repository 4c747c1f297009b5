import type { Database } from '../database';
import { listBeside } from '../trains/beside';
import { listLog } from '../trains/log';
import { pictureOf, withManifest, type BundledTrain, type Manifest } from './manifest';
import type { Files } from './zip';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

export type GatheredBundle =
  { readonly ok: true; readonly files: Files } | { readonly ok: false; readonly message: string };

/** Trains with everything beside them, as the files of a bundle; of everything there is, worksheets and who practises too. Names the train that is not there. */
export async function gatherBundle(database: Database, ids: readonly string[] | 'everything'): Promise<GatheredBundle> {
  const { reading } = database;
  const files: Record<string, Uint8Array> = {};
  const trains: BundledTrain[] = [];
  const wanted = ids === 'everything' ? (await reading.trains.findAll({ attributes: ['id'], order: [['id', 'ASC']] })).map((row) => row.get().id) : [...new Set(ids)].sort(); // prettier-ignore
  for (const [i, id] of wanted.entries()) {
    const row = await reading.trains.findOne({ where: { id } });
    if (!row) return { ok: false, message: `There is no train “${id.slice(0, 80)}” on the shelf.` };
    const { name, version, document, createdAt, updatedAt } = row.get();
    const folder = `trains/${/^[\w-]{1,64}$/.test(id) ? id : `train-${i + 1}`}`;
    files[`${folder}/train.json`] = bytes(document);
    const revisions = (await reading.revisions.findAll({ where: { trainId: id }, order: [['version', 'ASC']] })).map((one) => one.get()); // prettier-ignore
    for (const one of revisions) files[`${folder}/revisions/${one.version}.json`] = bytes(one.document);
    const beside = async (kind: 'searches' | 'scenarios') => {
      const rows = [...(await listBeside(reading[kind], id))].sort((a, b) => (a.id < b.id ? -1 : 1));
      for (const one of rows) files[`${folder}/${kind}/${one.id}.json`] = bytes(one.document);
      return rows.map(({ id: key, name: called, savedAt }) => ({ id: key, name: called, savedAt }));
    };
    const [searches, scenarios] = [await beside('searches'), await beside('scenarios')];
    const log = await listLog(database, id);
    if (log.length > 0)
      files[`${folder}/log.json`] = bytes(`[${log.map(({ document: own, ...rest }) => `{${JSON.stringify(rest).slice(1, -1)},"document":${own}}`).join(',\n')}]\n`); // prettier-ignore
    const pictures = (await reading.pictures.findAll({ where: { trainId: id }, order: [['id', 'ASC']] })).map((one) => one.get()); // prettier-ignore
    for (const one of pictures) files[pictureOf(folder, one)] = new Uint8Array(one.bytes);
    trains.push({
      id,
      name,
      folder,
      version,
      createdAt: createdAt.toISOString(),
      updatedAt: updatedAt.toISOString(),
      revisions: revisions.map((one) => ({ version: one.version, name: one.name, savedAt: one.savedAt.toISOString() })),
      searches,
      scenarios,
      pictures: pictures.map((one) => ({ id: one.id, type: one.type, savedAt: one.savedAt.toISOString() })),
    });
  }
  const rest = ids === 'everything' ? await gatherPractice(database, files) : { worksheets: [], people: [] };
  return { ok: true, files: withManifest({ trains, ...rest }, files) };
}

/** Worksheets, and who practises with what they answered. */
async function gatherPractice(
  { reading }: Database,
  files: Record<string, Uint8Array>,
): Promise<Pick<Manifest, 'worksheets' | 'people'>> {
  // prettier-ignore
  const worksheets = (await reading.worksheets.findAll({ order: [['id', 'ASC']] })).map((row) => row.get());
  for (const { id, document } of worksheets) files[`worksheets/${id}.json`] = bytes(document);
  const people = (await reading.people.findAll({ order: [['id', 'ASC']] })).map((row) => row.get());
  for (const { id } of people) {
    const answers = (
      await reading.answers.findAll({
        where: { personId: id },
        order: [
          ['place', 'ASC'],
          ['id', 'ASC'],
        ],
      })
    ).map((row) => row.get());
    files[`people/${id}.json`] = bytes(`[${answers.map((one) => `{${JSON.stringify({ id: one.id, savedAt: one.savedAt.toISOString() }).slice(1, -1)},"answer":${one.document}}`).join(',\n')}]\n`); // prettier-ignore
  }
  const named = ({ id, name, savedAt }: { id: string; name: string; savedAt: Date }) => ({ id, name, savedAt: savedAt.toISOString() }); // prettier-ignore
  return { worksheets: worksheets.map(named), people: people.map(named) };
}
