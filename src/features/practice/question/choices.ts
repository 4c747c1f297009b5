import type { QuestionAnswer, PracticeQuestion } from '@/core/practice';
import type { Train } from '@/core/train';
import { couplerName, memberName } from '@/core/words';
import { partsById } from '@/core/train';

/** What can be picked for an answer, in words. */
export function choiceNames(
  train: Train,
  answer: Exclude<QuestionAnswer, { kind: 'number' }>,
): readonly { readonly id: string; readonly name: string }[] {
  if (answer.kind === 'choice') return answer.choices.map((id) => ({ id, name: id }));
  const name = (id: string) => {
    switch (answer.of) {
      case 'members':
        return memberName(train, id);
      case 'couplers':
        return couplerName(train, id);
      case 'positions':
        return partsById(train).find.position(id)?.name || id;
    }
  };
  return answer.choices.map((id) => ({ id, name: name(id) }));
}

/** An answer in words: the right one, or one that was given. */
export function answerWords(
  train: Train,
  { answer }: Pick<PracticeQuestion, 'answer'>,
  given?: string | readonly string[],
): string {
  const value = given ?? answer.value;
  if (typeof value === 'string')
    return answer.kind === 'number' && answer.unit !== '' && given === undefined ? `${value} ${answer.unit}` : value;
  if (answer.kind !== 'order' && answer.kind !== 'parts') return value.join(', ');
  const names = new Map(choiceNames(train, answer).map(({ id, name }) => [id, name]));
  return value.map((id) => names.get(id) ?? id).join(answer.kind === 'order' ? ' → ' : ', ') || 'none';
}

/** The key that picks the nth of a list: digits for a few words, letters for parts. */
export const keyFor = (answer: QuestionAnswer, i: number): string =>
  answer.kind === 'choice' ? String(i + 1) : i < 26 ? String.fromCharCode(97 + i) : '';
