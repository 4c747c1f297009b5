import { inverse, toFraction, toNumber } from '@/core/rational';
import { readWanted, slipWords, wantedWords } from '@/core/tooth-search';
import { figure } from '@/core/units';
import { wantedOf, type WantedText } from '../form';
import { usePresentRatio } from '../present';
import { TextInput, Pick } from '@/ui/form/inputs';

const FORMS: Record<WantedText['form'], string> = {
  ratio: 'a ratio',
  speeds: 'two speeds',
  period: 'the time of one turn',
  tip: 'the speed of a rim',
  turns: 'turns while turns',
};

const SPEED_HELP = 'In rpm, rad/s, turns/s, turns/h or turns/day; rpm where no unit is written.';

/** A target in the form that people have it, and what it comes to. */
export function WantedFields({ wanted, onChange }: { wanted: WantedText; onChange: (wanted: WantedText) => void }) {
  const read = readWanted(wantedOf(wanted));
  const set = (change: Partial<WantedText>) => onChange({ ...wanted, ...change });
  const wrong = (field: string) => (!read.ok && read.field === field ? read.message : null);
  const speedIn = (
    <TextInput
      wide
      label="Input speed"
      title={SPEED_HELP}
      value={wanted.speedIn}
      message={wrong('in')}
      onChange={(speed) => set({ speedIn: speed })}
    />
  );
  return (
    <>
      <Pick label="Given as" value={wanted.form} choices={FORMS} onChange={(form) => set({ form })} />
      {wanted.form === 'ratio' && (
        <TextInput
          wide
          label="Ratio, in/out"
          title="Input speed over output speed: above 1 reduces. A fraction or a decimal."
          value={wanted.ratio}
          message={wrong('ratio')}
          onChange={(ratio) => set({ ratio })}
        />
      )}
      {(wanted.form === 'speeds' || wanted.form === 'period' || wanted.form === 'tip') && speedIn}
      {wanted.form === 'speeds' && (
        <TextInput
          wide
          label="Output speed"
          title={SPEED_HELP}
          value={wanted.speedOut}
          message={wrong('out')}
          onChange={(speedOut) => set({ speedOut })}
        />
      )}
      {wanted.form === 'period' && (
        <TextInput
          wide
          label="One turn of the output in"
          title="Like 24 h 50 min 28.3 s, 36.5 d or 1:30:00."
          value={wanted.time}
          message={wrong('time')}
          onChange={(time) => set({ time })}
        />
      )}
      {wanted.form === 'tip' && (
        <>
          <TextInput
            wide
            label="Speed of the rim"
            title="In m/s, m/min, mm/s, cm/s or km/h."
            value={wanted.rimSpeed}
            message={wrong('speed')}
            onChange={(rimSpeed) => set({ rimSpeed })}
          />
          <TextInput
            wide
            label="Diameter of the rim"
            title="In mm, cm or m."
            value={wanted.diameter}
            message={wrong('diameter')}
            onChange={(diameter) => set({ diameter })}
          />
        </>
      )}
      {wanted.form === 'turns' && (
        <>
          <TextInput
            wide
            label="The input turns"
            value={wanted.turnsIn}
            message={wrong('in')}
            onChange={(turnsIn) => set({ turnsIn })}
          />
          <TextInput
            wide
            label="while the output turns"
            value={wanted.turnsOut}
            message={wrong('out')}
            onChange={(turnsOut) => set({ turnsOut })}
          />
        </>
      )}
      {read.ok && (
        <p>
          <span className="figure" title={toFraction(read.ratio)}>
            {shortFraction(toFraction(read.ratio))} in/out
            {toFraction(read.ratio).includes('/') && <> = {figure(toNumber(read.ratio))}</>}
          </span>
          <span className="muted">, </span>
          <span className="figure">{figure(toNumber(inverse(read.ratio)))} out/in</span>
          <span className="muted">. {wantedWords(wantedOf(wanted), read.ratio)}</span>
        </p>
      )}
    </>
  );
}

/** Digits of a fraction that stand on one line. */
const MOST_LETTERS = 24;
const shortFraction = (text: string): string => (text.length <= MOST_LETTERS ? text : 'a long fraction');

/** Says where a target is what a slip of the hand would leave, seen from what the open train gives. */
export function SlipNote({ wanted }: { wanted: WantedText }) {
  const present = usePresentRatio();
  const read = readWanted(wantedOf(wanted));
  const words = present && read.ok ? slipWords(read.ratio, present) : null;
  return (
    words && (
      <p role="status" className="border-l-3 border-warning pl-2">
        {words}
      </p>
    )
  );
}
