'use client';

import { FRAME, recouple, type Coupler, type JoiningType } from '@/core/train';
import { memberName } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { ChoiceField } from './choice-field';
import { useEdit, type Say } from './use-edit';
import { usePartWords } from '@/ui/part-words';

/** What a coupler is and which members it joins; its positions stay as they are. */
export function CouplerEnds({ coupler, say }: { coupler: Extract<Coupler, { joins: unknown }>; say: Say }) {
  const train = useTrain((state) => state.train);
  const edit = useEdit(say);
  const [a, b] = coupler.joins;
  const told = usePartWords();
  const types: Record<JoiningType, string> = {
    clutch: coupler.joins.includes(FRAME) ? 'brake' : 'clutch',
    'one-way': told('one-way clutch'),
  };
  const ends = Object.fromEntries([
    [FRAME, 'the frame'],
    ...train.members
      .filter(({ id, carrier }) => carrier === undefined || id === a || id === b)
      .map(({ id }) => [id, memberName(train, id)]),
  ]) as Record<string, string>;
  const join = (joins: readonly [string, string]) => edit(recouple(train, coupler.id, { joins }));
  return (
    <>
      <ChoiceField
        label="Type"
        value={coupler.type === 'one-way' ? 'one-way' : 'clutch'}
        choices={types}
        onChoose={(type) => edit(recouple(train, coupler.id, { type }))}
      />
      <ChoiceField label="Joins" value={a} choices={ends} onChoose={(id) => join([id, b])} />
      <ChoiceField label="with" value={b} choices={ends} onChoose={(id) => join([a, id])} />
    </>
  );
}
