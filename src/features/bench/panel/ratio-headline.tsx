'use client';

import { useExplained } from '@/features/train/use-explained';
import { useTrain } from '@/features/train/use-train';
import { inverse, toFraction, toNumber } from '@/core/rational';
import { figure, ratioFigure, ratioByConvention, wayText } from '@/core/units';
import { usePreferences } from '@/ui/preferences';
import type { Explained } from '@/features/train/analysis';
import { listed, memberName } from '@/core/words';
import { Outputs } from './outputs';
import { Reason } from './reason';
import { itemAt, required } from '@/core/required';
import { usePartWords } from '@/ui/part-words';

/** The ratio, large, or why there is none. */
export function RatioHeadline() {
  const position = useExplained();
  const { solved, backward } = position;
  return (
    <div aria-live="polite">
      {backward && <BackwardVerdict position={position} />}
      {solved.ratio ? <Ratio position={position} /> : <Reason />}
      {(solved.status === 'drive' || solved.status === 'split') && <Outputs position={position} />}
    </div>
  );
}

function Ratio({ position: { solved, backward } }: { position: Explained }) {
  const convention = usePreferences((state) => state.convention);
  const train = useTrain((state) => state.train);
  // Driven backward, the ratio found is output turns per input turn; it is told as the ratio of the train all the same.
  const ratio = backward ? inverse(required(solved.ratio)) : required(solved.ratio);
  const shown = ratioByConvention(ratio, convention);
  const [of, perOne] = convention === 'in/out' ? ['input', 'output'] : ['output', 'input'];
  const { efficiency } = solved;
  const outputs = train.outputs.length > 1 ? ` (${memberName(train, itemAt(train.outputs, 0))})` : '';
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-2 whitespace-nowrap">
        <strong data-testid="ratio" className="figure text-4xl font-semibold text-primary">
          {ratioFigure(ratio, convention)}
        </strong>
        <span className="figure">: 1 {convention}</span>
        <span>{wayText(ratio)}</span>
      </p>
      <p className="muted text-sm">
        <span className="figure">{toFraction(shown)}</span> {of} turns for one of the {perOne}
        {outputs}
        {solved.losses && efficiency && ` · efficiency ${figure(100 * toNumber(efficiency))} %`}
        {solved.losses &&
          solved.efficiencies.length > 1 &&
          ' · friction allows efficiencies of ' +
            `${listed(solved.efficiencies.map((each) => `${figure(100 * toNumber(each))} %`))}`}
      </p>
      {solved.losses && solved.selfLocking && <p className="text-error">Friction alone stops it: self-locking.</p>}
    </>
  );
}

const VERDICT: Record<NonNullable<Explained['backward']>, string> = {
  drives: 'Back-driven, the output turns the input.',
  slips: 'Back-driven, a one-way clutch overruns: the input does not follow.',
  jams: 'Back-driven, it jams.',
  'nothing connected': 'Back-driven, nothing reaches the input.',
};

function BackwardVerdict({ position }: { position: Explained }) {
  const told = usePartWords();
  return (
    <p className={position.backward === 'jams' ? 'pb-1 font-semibold text-error' : 'pb-1 font-semibold'}>
      {told(VERDICT[required(position.backward)])}
    </p>
  );
}
