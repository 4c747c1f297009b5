import { faultWords } from '@/core/faults';
import { couplerName } from '@/core/words';
import type { OpenHunt } from '../store';
import { isBad } from './begin';
import { InWords } from '@/ui/part-words';

/** Which part it was, and how few tests would have done. */
export function HuntEnd({ own }: { own: OpenHunt }) {
  const { train, secret } = own.hunt;
  const found = own.named.some((fault) => isBad(own, fault));
  const { tests, alike } = own.best;
  const vain = own.standing?.tests.filter((test) => test.vain).length ?? 0;
  const left = own.standing?.open.length ?? own.hunt.possible.length;
  return (
    <section aria-label="What it was" role="status" className="flex flex-col gap-1">
      <p className="text-lg font-semibold">
        {found ? 'Found' : 'It was'}: <InWords train={train} text={faultWords(train, secret)} />
      </p>
      {alike.length > 1 && (
        <p className="muted text-sm">
          No test from outside tells it from{' '}
          {alike
            .filter((one) => one !== secret && JSON.stringify(one) !== JSON.stringify(secret))
            .map((one) => faultWords(train, one))
            .join(', ')}
          .
        </p>
      )}
      <p>
        You took {own.tried.length} {own.tried.length === 1 ? 'test' : 'tests'}
        {vain > 0 && `, ${vain} of which could teach nothing`}
        {found && own.named.length > 1 && `, and named ${own.named.length - 1} wrongly`}; one who chooses each test by
        what it tells most needs {tests.length}.
        {found && left > alike.length && ` At the end ${left} suspects were still open: it was partly a guess.`}
      </p>
      <ol aria-label="The best tests" className="muted list-decimal pl-5 text-sm">
        {tests.map((engaged, i) => (
          <li key={i}>{engaged.map((id) => couplerName(train, id)).join(' + ') || 'nothing engaged'}</li>
        ))}
      </ol>
    </section>
  );
}
