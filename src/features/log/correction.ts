import type { Reading } from '@/core/measurement';
import { KINDS, ofKind, type ReadingDraft, type ReadingKind } from './kinds';
import type { Correction } from './store';

/** A reading as the form has it, so that correcting changes nothing but what is typed or chosen anew. */
export function draftOf(reading: Reading, before: ReadingDraft): ReadingDraft {
  const draft = ofKind(before, reading.kind);
  const figures: Record<string, string> = Object.fromEntries(
    Object.entries(reading).flatMap(([key, value]) => (typeof value === 'number' ? [[key, String(value)]] : [])),
  );
  if (reading.kind === 'marks' && reading.passed > reading.marks) {
    // As it is typed: full turns apart from the marks beyond them.
    const full = Math.floor(reading.passed / reading.marks);
    figures.full = String(full);
    figures.passed = String(reading.passed - full * reading.marks);
  }
  return {
    ...draft,
    figures: { ...draft.figures, ...figures, ...reading.asRead, instrument: reading.instrument ?? '' },
    ...('member' in reading && { member: reading.member }),
    ...('mesh' in reading && { mesh: reading.mesh }),
    ...('gear' in reading && { gear: reading.gear }),
    ...('part' in reading && { part: reading.part }),
    ...('what' in reading && { what: reading.what ?? '' }),
    way: 'way' in reading ? (reading.way ?? '') : '',
    note: reading.note ?? '',
    loaded: reading.loaded ?? false,
  };
}

/** What of a reading a correction keeps beside its figures. */
export function correctionOf(of: string, reading: Reading): Correction {
  const { position, engaged, flow, at, run, revision, picture, simulated } = reading;
  const fields = new Set<string>(KINDS[reading.kind].fields.map(({ key }) => key));
  return {
    of,
    beyondForm: {
      kind: reading.kind,
      figures: Object.fromEntries(
        Object.entries(reading).filter(
          ([key, value]) => typeof value === 'number' && key !== 'revision' && !fields.has(key),
        ),
      ),
    },
    placed:
      position === undefined && engaged === undefined
        ? undefined
        : { position: position ?? null, engaged: engaged ?? [], ...(flow === 'coast' && { flow }) },
    rest: {
      ...(at !== undefined && { at }),
      ...(run !== undefined && { run }),
      ...(revision !== undefined && { revision }),
      ...(picture !== undefined && { picture }),
      ...(simulated !== undefined && { simulated }),
    },
  };
}

/** What a correction says beside what is in the form. */
export const keptBeside = ({ rest, beyondForm }: Correction, kind: ReadingKind) => ({
  ...rest,
  ...(kind === beyondForm.kind && beyondForm.figures),
});
