import { firstRow } from '@/server/database';
import fc from 'fast-check';
import { setTeeth, type Train } from '@/core/train';
import { checkDocument } from '@/server/heavy';
import { savedResponse } from '@/server/http';
import { saveTrain } from '@/server/trains/repository';
import { freshShelf } from '@/testing/fresh-shelf';
import { readable } from '@/testing/kept';
import { editTrain, giveUpVisit, redo, undo } from './edit';
import { isSaved } from './saving/autosave';
import { leave, receive, sessionOf, acceptServerVersion, type LoadedTrain, type Session } from './session';

const shelf = freshShelf();
const ID = 'sluice-winch';
let fresh = 0;
let away = false;

beforeEach(() => {
  away = false;
  globalThis.requestAnimationFrame = () => 0;
  globalThis.cancelAnimationFrame = () => undefined;
  // The server by its own parts, without the way there.
  globalThis.fetch = async (address, init) => {
    if (away) throw new TypeError('fetch failed');
    const id = String(address).split('/').at(-1)!;
    const { version, train } = JSON.parse(String(init!.body)) as { version: number; train: unknown };
    return savedResponse(await saveTrain(shelf(), id, version, checkDocument(train)));
  };
});

const opened = new Set<Session>();
const open = (loaded: LoadedTrain): Session => {
  const session = sessionOf(loaded);
  opened.add(session);
  return session;
};
afterEach(() => opened.forEach(({ saving }) => saving.stop()));

/** A train of its own for each session: a window keeps what was opened. */
async function freshTrain(): Promise<string> {
  const { document, name } = await readable(shelf(), ID);
  const id = `winch-${fresh++}`;
  await shelf().write(({ trains }) => trains.create(firstRow(id, { name, document })));
  return id;
}

const load = async (id: string) => {
  const { version, train } = await readable(shelf(), id);
  return { id, version, train };
};
const withTeeth = (train: Train, teeth: number): Train => {
  const edit = setTeeth(train, 'c', teeth);
  if (!edit.ok) throw new Error(edit.message);
  return edit.train;
};
const teethOf = (train: Train) => train.gears[0]!.teeth;
const type = ({ store }: Session, teeth: number, merge?: string) =>
  editTrain(store, withTeeth(store.getState().train, teeth), { merge });

/** Until no save is under way. */
async function settled({ store }: Session): Promise<void> {
  while (store.getState().save.kind === 'saving') await new Promise((done) => setTimeout(done, 1));
}

async function saveElsewhere(id: string, teeth: number): Promise<void> {
  const { version, train } = await load(id);
  expect((await saveTrain(shelf(), id, version, checkDocument(withTeeth(train, teeth)))).outcome).toBe('saved');
}

describe('a train outlives its screen', () => {
  test('left right after an edit, the edit is saved', async () => {
    const id = await freshTrain();
    const session = open(await load(id));
    type(session, 31);
    leave(session);
    await settled(session);
    expect(teethOf((await load(id)).train)).toBe(31);
  });

  test('an old page out of the browser’s memory is nothing new, and leads to no conflict', async () => {
    const id = await freshTrain();
    const old = await load(id);
    const session = open(old);
    type(session, 31);
    leave(session);
    await settled(session);
    const back = open(old);
    receive(back, old);
    expect(back).toBe(session);
    expect([
      teethOf(back.store.getState().train),
      isSaved(back.store.getState()),
      back.store.getState().save.kind,
    ]).toEqual([31, true, 'idle']);
    type(back, 32);
    back.saving.flush();
    await settled(back);
    expect([back.store.getState().save.kind, teethOf((await load(id)).train)]).toEqual(['idle', 32]);
    undo(back.store);
    expect(teethOf(back.store.getState().train)).toBe(31);
  });

  test('a newer version is taken, or asked about where there are changes of one’s own', async () => {
    const id = await freshTrain();
    const session = open(await load(id));
    await saveElsewhere(id, 40);
    receive(session, await load(id));
    expect([teethOf(session.store.getState().train), isSaved(session.store.getState())]).toEqual([40, true]);
    away = true;
    type(session, 41);
    session.saving.flush();
    await settled(session);
    expect(session.store.getState().save.kind).toBe('failed');
    await saveElsewhere(id, 50);
    receive(session, await load(id));
    expect(session.store.getState().save).toMatchObject({ kind: 'conflict', theirs: { version: 3 } });
    expect(teethOf(session.store.getState().train)).toBe(41);
  });

  test('taken back at once, it is saved as it ever was', async () => {
    const session = open(await load(await freshTrain()));
    type(session, 31);
    expect(isSaved(session.store.getState())).toBe(false);
    undo(session.store);
    expect(isSaved(session.store.getState())).toBe(true);
    type(session, 33, 'teeth c');
    giveUpVisit(session.store);
    expect([isSaved(session.store.getState()), session.store.temporal.getState().futureStates.length]).toEqual([
      true,
      1,
    ]);
  });
});

/** What a person knows: the counts that undo and redo lead to. */
interface Model {
  past: number[];
  present: number;
  future: number[];
}

interface Real {
  readonly id: string;
  session: Session;
  stale: Awaited<ReturnType<typeof load>>;
}

type Step = fc.AsyncCommand<Model, Real>;

const step = (
  name: string,
  run: (model: Model, real: Real) => Promise<void>,
  may: (model: Model) => boolean = () => true,
): Step => ({
  check: may,
  run: async (model, real) => {
    await run(model, real);
    const { store } = real.session;
    const { train, save, version } = store.getState();
    expect(teethOf(train)).toBe(model.present);
    expect(store.temporal.getState().pastStates.map(({ train: state }) => teethOf(state!))).toEqual(model.past);
    expect(store.temporal.getState().futureStates.map(({ train: state }) => teethOf(state!))).toEqual(model.future);
    const kept = await load(real.id);
    // Saved is what the server has, if it is the version that this window knows.
    if (isSaved(store.getState()) && kept.version === version) expect(teethOf(kept.train)).toBe(model.present);
    // No conflict is invented.
    if (save.kind === 'conflict') expect(save.theirs.version).toBeGreaterThan(version);
  },
  toString: () => name,
});

const change = (model: Model, teeth: number) => {
  model.past.push(model.present);
  model.present = teeth;
  model.future = [];
};

/** With the page that is at hand: a newer version is taken where nothing of one's own stands against it. */
function comeBack(model: Model, real: Real): void {
  const before = real.session.store.getState();
  real.session = open(real.stale);
  receive(real.session, real.stale);
  if (isSaved(before) && real.stale.version > before.version) change(model, teethOf(real.stale.train));
}

const steps = [
  fc.integer({ min: 10, max: 99 }).map((teeth) =>
    step(`edit ${teeth}`, async (model, { session }) => {
      if (teeth === model.present) return;
      change(model, teeth);
      type(session, teeth);
    }),
  ),
  fc
    .tuple(fc.integer({ min: 10, max: 99 }), fc.integer({ min: 10, max: 99 }), fc.boolean())
    .map(([first, second, kept]) =>
      step(`type ${first} ${second} ${kept ? 'Enter' : 'Esc'}`, async (model, { session }) => {
        if (first === model.present || second === first) return;
        type(session, first, 'teeth c');
        type(session, second, 'teeth c');
        if (kept) {
          change(model, second);
          session.store.getState().endVisit();
        } else giveUpVisit(session.store);
      }),
    ),
  fc.constant(
    step(
      'undo',
      async (model, { session }) => {
        undo(session.store);
        model.future.push(model.present);
        model.present = model.past.pop()!;
      },
      ({ past }) => past.length > 0,
    ),
  ),
  fc.constant(
    step(
      'redo',
      async (model, { session }) => {
        redo(session.store);
        model.past.push(model.present);
        model.present = model.future.pop()!;
      },
      ({ future }) => future.length > 0,
    ),
  ),
  fc.constant(
    step('save', async (_, { session, id }) => {
      const before = session.store.getState();
      const newest = (await load(id)).version;
      session.saving.flush();
      await settled(session);
      const { save } = session.store.getState();
      if (!isSaved(before) && before.save.kind !== 'conflict')
        expect(save.kind).toBe(newest > before.version ? 'conflict' : 'idle');
    }),
  ),
  fc
    .integer({ min: 10, max: 99 })
    .map((teeth) => step(`elsewhere ${teeth}`, async (_, { id }) => saveElsewhere(id, teeth))),
  fc.constant(
    step('leave, and back by the browser’s memory', async (model, real) => {
      leave(real.session);
      await settled(real.session);
      comeBack(model, real);
    }),
  ),
  fc.constant(
    step('leave, and back by a link', async (model, real) => {
      leave(real.session);
      await settled(real.session);
      real.stale = await load(real.id);
      comeBack(model, real);
    }),
  ),
  fc.constant(
    step('take theirs', async (model, { session }) => {
      const { save } = session.store.getState();
      if (save.kind !== 'conflict') return;
      const { theirs } = save;
      acceptServerVersion(session.store, theirs);
      change(model, teethOf(theirs.train));
    }),
  ),
];

test('edit, undo, redo, save, conflict, leave and return in any order lose nothing and invent nothing', async () => {
  await fc.assert(
    fc.asyncProperty(fc.commands(steps, { maxCommands: 30 }), async (commands) => {
      const id = await freshTrain();
      const loaded = await load(id);
      const session = open(loaded);
      await fc.asyncModelRun(
        () => ({
          model: { past: [], present: teethOf(loaded.train), future: [] },
          real: { id, session, stale: loaded },
        }),
        commands,
      );
    }),
    { numRuns: 40 },
  );
});
