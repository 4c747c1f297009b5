import * as z from 'zod/mini';
import type { TrainState, TrainStore } from './store';

/** What a train is tried with stays with it in this browser. */
const typedSchema = z.object({
  speedText: z.string().check(z.maxLength(40)),
  torqueText: z.string().check(z.maxLength(40)),
});

/** What is looked at lasts as long as the window: through a reload, not until next week. */
const lookedAtSchema = z.object({
  choice: z.object({ engaged: z.array(z.string()), positionId: z.nullable(z.string()) }),
  flow: z.enum(['drive', 'coast', 'backward']),
});

const typedKey = (id: string): string => `tin-wheel-typed/${id}`;
const lookedAtKey = (id: string): string => `tin-wheel-looked-at/${id}`;

/** What this browser remembers of a train; nothing where it has no storage. */
export function recall(id: string): Partial<Pick<TrainState, 'speedText' | 'torqueText' | 'choice' | 'flow'>> {
  return {
    ...read('localStorage', typedKey(id), typedSchema),
    ...read('sessionStorage', lookedAtKey(id), lookedAtSchema),
  };
}

/** Remembers from now on what is typed and looked at. @returns a function that ends it. */
export function remember(store: TrainStore): () => void {
  return store.subscribe((state, before) => {
    const { id, speedText, torqueText, choice, flow } = state;
    if (speedText !== before.speedText || torqueText !== before.torqueText)
      write('localStorage', typedKey(id), { speedText, torqueText });
    if (choice !== before.choice || flow !== before.flow) write('sessionStorage', lookedAtKey(id), { choice, flow });
  });
}

type Place = 'localStorage' | 'sessionStorage';

function read<T extends z.ZodMiniType>(place: Place, key: string, schema: T): z.output<T> | undefined {
  try {
    const found = schema.safeParse(JSON.parse(globalThis[place].getItem(key) ?? 'null'));
    return found.success ? found.data : undefined;
  } catch {
    return undefined;
  }
}

function write(place: Place, key: string, value: unknown): void {
  try {
    globalThis[place].setItem(key, JSON.stringify(value));
  } catch {
    // A window without storage, or with none left, works on and remembers nothing.
  }
}
