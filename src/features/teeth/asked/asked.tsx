import type { SearchKind } from '../form';
import { BeginAnew } from '@/ui/begin-anew';
import { useAsk, useOpenTrain, useTeethDraft, useTeethForm } from '../use-teeth';
import { ConditionFields } from './condition-fields';
import { Group } from '@/ui/form/inputs';
import { FitFields } from './fit-fields';
import { KeptSearches } from './kept-searches';
import { LadderFields, RangeFields } from './ladder-fields';
import { OutputFields } from './output-fields';
import { SetFields } from './set-fields';
import { SlipNote, WantedFields } from './wanted-fields';
import { WheelFields } from './wheel-fields';

const KINDS: Record<SearchKind, string> = {
  chains: 'a chain of pairs',
  planetary: 'planetary sets',
  ladder: 'a ladder of positions',
  ranges: 'ranges behind a ladder',
  outputs: 'several outputs of one chain',
  fit: 'this train, other counts',
};

/** What is asked: what for, and within which limits. */
export function AskedPane() {
  const { kind, wanted } = useTeethForm();
  const ask = useAsk();
  const draft = useTeethDraft();
  const train = useOpenTrain();
  const kinds = (Object.keys(KINDS) as SearchKind[]).filter((one) => one !== 'fit' || train !== null);
  return (
    <form aria-label="What is asked" className="pb-4" onSubmit={(event) => event.preventDefault()}>
      <div className="px-4 py-2 text-sm">
        <label className="flex items-center justify-between gap-2">
          <span className="font-semibold whitespace-nowrap">Look for</span>
          <select
            className="select select-sm w-50"
            value={kind}
            onChange={(event) => ask({ kind: event.target.value as SearchKind })}
          >
            {kinds.map((one) => (
              <option key={one} value={one}>
                {KINDS[one]}
              </option>
            ))}
          </select>
        </label>
      </div>
      {(kind === 'chains' || kind === 'planetary') && (
        <Group name="Wanted">
          <WantedFields wanted={wanted} onChange={(changed) => ask({ wanted: changed })} />
          <SlipNote wanted={wanted} />
        </Group>
      )}
      {kind === 'ladder' && <LadderFields />}
      {kind === 'ranges' && <RangeFields />}
      {kind === 'outputs' && <OutputFields />}
      {kind === 'planetary' && <SetFields />}
      {kind === 'fit' ? (
        <FitFields />
      ) : (
        <>
          {kind !== 'planetary' && <WheelFields />}
          <ConditionFields />
        </>
      )}
      <KeptSearches />
      <div className="px-3 pt-1">
        <BeginAnew draft={draft} />
      </div>
    </form>
  );
}
