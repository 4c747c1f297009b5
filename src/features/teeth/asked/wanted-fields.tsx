import { inverse, toFraction, toNumber, type Rational } from '@/core/rational';
import { readWanted, slipWords, wantedWords } from '@/core/tooth-search';
import { figure } from '@/core/units';
import { wantedOf, type WantedText } from '../form';
import { usePresentRatio } from '../present';
import { messageAt, type FieldTable } from '@/ui/form/fields';
import { FormFields } from '@/ui/form/form-fields';
import { Pick } from '@/ui/form/inputs';

const FORMS: Record<WantedText['form'], string> = {
  ratio: 'a ratio',
  speeds: 'two speeds',
  period: 'the time of one turn',
  tip: 'the speed of a rim',
  turns: 'turns while turns',
};

const SPEED_HELP = 'In rpm, rad/s, turns/s, turns/h or turns/day; rpm where no unit is written.';
// Units are written with the figures: what has none of its own beside it says in its hint which it takes.
const INPUT_SPEED = { key: 'speedIn', path: 'in', label: 'Input speed', hint: SPEED_HELP } as const;

/** What is typed for each form of a target. */
const FIELDS: Record<WantedText['form'], FieldTable<Exclude<keyof WantedText, 'form'>>> = {
  ratio: [
    {
      key: 'ratio',
      path: 'ratio',
      label: 'Ratio, in/out',
      hint: 'Input speed over output speed: above 1 reduces. A fraction or a decimal.',
    },
  ],
  speeds: [INPUT_SPEED, { key: 'speedOut', path: 'out', label: 'Output speed', hint: SPEED_HELP }],
  period: [
    INPUT_SPEED,
    {
      key: 'time',
      path: 'time',
      label: 'One turn of the output in',
      hint: 'Like 24 h 50 min 28.3 s, 36.5 d or 1:30:00.',
    },
  ],
  tip: [
    INPUT_SPEED,
    { key: 'rimSpeed', path: 'speed', label: 'Speed of the rim', hint: 'In m/s, m/min, mm/s, cm/s or km/h.' },
    { key: 'diameter', path: 'diameter', label: 'Diameter of the rim', hint: 'In mm, cm or m.' },
  ],
  turns: [
    { key: 'turnsIn', path: 'in', label: 'The input turns' },
    { key: 'turnsOut', path: 'out', label: 'while the output turns' },
  ],
};

interface WantedProps {
  readonly wanted: WantedText;
  /** The input speed that is given for several together, beside them. */
  readonly motor?: string;
  readonly onChange: (wanted: WantedText) => void;
}

/** A target in the form that people have it, and what it comes to. */
export function WantedFields({ wanted: typed, motor = '', onChange }: WantedProps) {
  const common = motor.trim() !== '';
  const wanted = common ? { ...typed, speedIn: motor } : typed;
  const read = readWanted(wantedOf(wanted));
  const set = (change: Partial<WantedText>) => onChange({ ...typed, ...change });
  const wrong = (field: string) => messageAt(read, field);
  return (
    <>
      <Pick label="Given as" value={wanted.form} choices={FORMS} onChange={(form) => set({ form })} />
      <FormFields
        fields={common ? FIELDS[wanted.form].filter((one) => one !== INPUT_SPEED) : FIELDS[wanted.form]}
        form={wanted}
        wide
        wrong={wrong}
        onChange={set}
      />
      {read.ok && <WhatItIs wanted={wanted} ratio={read.value.ratio} />}
    </>
  );
}

/** What a target comes to, both ways round. */
function WhatItIs({ wanted, ratio }: { wanted: WantedText; ratio: Rational }) {
  const exact = toFraction(ratio);
  return (
    <p>
      <span className="figure" title={exact}>
        {shortFraction(exact)} in/out
        {exact.includes('/') && <> = {figure(toNumber(ratio))}</>}
      </span>
      <span className="muted">, </span>
      <span className="figure">{figure(toNumber(inverse(ratio)))} out/in</span>
      <span className="muted">. {wantedWords(wantedOf(wanted), ratio)}</span>
    </p>
  );
}

/** Digits of a fraction that stand on one line. */
const MOST_LETTERS = 24;
const shortFraction = (text: string): string => (text.length <= MOST_LETTERS ? text : 'a long fraction');

/** Says where a target is what a slip of the hand would leave, seen from what the open train gives. */
export function SlipNote({ wanted }: { wanted: WantedText }) {
  const present = usePresentRatio();
  const read = readWanted(wantedOf(wanted));
  const words = present && read.ok ? slipWords(read.value.ratio, present) : null;
  return (
    words && (
      <p role="status" className="border-l-3 border-warning pl-2">
        {words}
      </p>
    )
  );
}
