import { SPEED_UNITS, torqueTable } from '@/core/units';
import { inUnits, unitsKept, unitsNow, type OwnUnits } from './input/own-units';
import type { TrainState, TrainStore } from './store';

/** What a train is tried with stays with it in this browser. */
type TypedIn = Pick<TrainState, 'speedText' | 'torqueText'> &
  Partial<Pick<TrainState, 'given' | 'loadTexts'>> & {
    /** The units that it was typed in. */
    readonly units?: OwnUnits;
  };
/** What is looked at lasts as long as the window: through a reload, not until next week. */
type LookedAt = Pick<TrainState, 'choice' | 'flow'>;

const typedKey = (id: string): string => `tin-wheel-typed/${id}`;
const lookedAtKey = (id: string): string => `tin-wheel-looked-at/${id}`;

/** What this browser remembers of a train; nothing where it has no storage. */
export function recall(id: string): Partial<TypedIn & LookedAt> {
  const kept = read<TypedIn>('localStorage', typedKey(id), isTypedIn);
  const typed = kept && inUnits(kept, { ...unitsKept(), ...kept.units }, unitsNow());
  const lookedAt = read<LookedAt>('sessionStorage', lookedAtKey(id), isLookedAt);
  return {
    ...(typed && { speedText: typed.speedText, torqueText: typed.torqueText }),
    ...(typed?.given && { given: typed.given, loadTexts: typed.loadTexts ?? {} }),
    ...(lookedAt && { choice: lookedAt.choice, flow: lookedAt.flow }),
  };
}

/** Remembers from now on what is typed and looked at. @returns a function that ends it. */
export function remember(store: TrainStore): () => void {
  return store.subscribe((state, before) => {
    const { id, speedText, torqueText, given, loadTexts, choice, flow } = state;
    if (
      speedText !== before.speedText ||
      torqueText !== before.torqueText ||
      given !== before.given ||
      loadTexts !== before.loadTexts
    )
      write('localStorage', typedKey(id), {
        speedText,
        torqueText,
        given,
        loadTexts,
        units: unitsNow(),
      } satisfies TypedIn);
    if (choice !== before.choice || flow !== before.flow)
      write('sessionStorage', lookedAtKey(id), { choice, flow } satisfies LookedAt);
  });
}

const isText = (value: unknown): boolean => typeof value === 'string' && value.length <= 40;

const isTypedIn = ({ speedText, torqueText, given, loadTexts, units }: Record<string, unknown>): boolean =>
  (units === undefined || areUnits(units)) &&
  isText(speedText) &&
  isText(torqueText) &&
  (given === undefined || given === 'torque' || given === 'loads') &&
  (loadTexts === undefined ||
    (typeof loadTexts === 'object' && loadTexts !== null && Object.values(loadTexts).every(isText)));

function areUnits(value: unknown): boolean {
  const { speedUnit, torqueUnit, armMm } = (value ?? {}) as Record<string, unknown>;
  return (
    typeof speedUnit === 'string' &&
    Object.hasOwn(SPEED_UNITS, speedUnit) &&
    typeof torqueUnit === 'string' &&
    Object.hasOwn(torqueTable(1), torqueUnit) &&
    typeof armMm === 'number' &&
    armMm > 0
  );
}

function isLookedAt({ choice, flow }: Record<string, unknown>): boolean {
  const { engaged, positionId } = (choice ?? {}) as Record<string, unknown>;
  return (
    Array.isArray(engaged) &&
    engaged.every((id) => typeof id === 'string') &&
    (positionId === null || typeof positionId === 'string') &&
    ['drive', 'coast', 'backward'].includes(flow as string)
  );
}

type Place = 'localStorage' | 'sessionStorage';

/** What is kept there; nothing where it is not what it should be, or there is no such place. */
function read<T>(place: Place, key: string, is: (value: Record<string, unknown>) => boolean): T | undefined {
  try {
    const found = JSON.parse(globalThis[place].getItem(key) ?? '{}') as Record<string, unknown>;
    return is(found) ? (found as T) : undefined;
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
