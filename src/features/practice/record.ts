import type { Mark } from '@/core/practice';
import { postAnswers } from '@/wire';
import type { PracticeStore } from './store';

/**
 * Writes down what was answered, under the name of whoever practises; without a name nothing is kept. Sent twice it is
 * there once.
 */
export async function record(
  store: PracticeStore,
  id: string,
  { train, skill, mark }: { readonly train: string; readonly skill: string; readonly mark: Mark },
): Promise<void> {
  const { person, addAnswer, refuse } = store.getState();
  if (mark.verdict === 'unread' || person === null) return;
  const answer = {
    at: new Date().toISOString(),
    train: train.slice(0, 200),
    skill,
    right: mark.verdict === 'right',
    slip: mark.verdict === 'wrong' ? mark.slip : null,
  };
  addAnswer(answer);
  const kept = await postAnswers(person, [{ id, answer }]);
  if (!kept.ok) refuse(`This answer could not be kept: ${kept.message}`);
}
