import { soundThresholds } from '@/core/shifting';
import { figureText } from '@/ui/form/fields';
import { FormFields } from '@/ui/form/form-fields';
import { DURATION, RULE_TIMES } from '../fields';
import { Group, Pick } from '@/ui/form/inputs';
import type { BetweenPositions, Cue, ShiftingForm } from '../form';
import { useFill, useShiftingForm, useTypedFields, useSetup, useNameOf, useWrong } from '../use-shifting';
import { DetectorFields } from './detector-fields';
import { ScheduleField } from './schedule-field';
import { usePartWords } from '@/ui/part-words';

const CUES: Record<Cue, string> = { speed: 'input speed', torque: 'output torque', hand: 'by hand, at times' };
const BETWEENS: Record<BetweenPositions, string> = {
  neutral: 'neutral: nothing engaged',
  overlap: 'hand-over: no gap',
  'one-way': 'one-way clutch: at once',
};
const BETWEEN_HELP =
  'In neutral the motor runs free and a torque detector feels nothing. A hand-over, by friction ' +
  'clutches or two paths, never releases. A one-way clutch takes over at once.';
const CUE_MEANS: Record<Cue, string> = {
  speed: 'Shifts by how fast the input turns; it does not know the load.',
  torque: 'Shifts by the torque at the output; in a neutral gap it feels none, and can chatter.',
  hand: 'Shifts when you say so.',
};
const PATHS = { direct: 'straight to it', sequence: 'drum: one after another' } as const;

/** When it shifts, and what happens meanwhile. */
export function RuleFields() {
  const form = useShiftingForm();
  const { rule, motor } = form;
  const fill = useFill();
  const told = usePartWords();
  const wrong = useWrong();
  const set = (change: Partial<ShiftingForm['rule']>) => fill({ rule: { ...rule, ...change } });
  const unit = rule.cue === 'torque' ? 'N·m' : motor.kind === 'linear' ? 'n/n₀' : 'rpm';
  return (
    <Group name="Shifting" beside={rule.cue !== 'hand' && <FromPoints cue={rule.cue} />}>
      <Pick label="Shift cue" value={rule.cue} choices={CUES} onChange={(cue) => set({ cue })} />
      <p className="muted text-xs">{CUE_MEANS[rule.cue]}</p>
      {rule.cue === 'hand' ? (
        <>
          <ScheduleField />
          <Pick label="The selector goes" value={rule.path} choices={PATHS} onChange={(path) => set({ path })} />
        </>
      ) : (
        <Thresholds unit={unit} />
      )}
      {rule.cue !== 'hand' && <DetectorFields cue={rule.cue} />}
      <Pick
        label="In between"
        title={told(BETWEEN_HELP)}
        value={rule.between}
        choices={{ ...BETWEENS, 'one-way': told(BETWEENS['one-way']) }}
        onChange={(between) => set({ between })}
      />
      <FormFields fields={RULE_TIMES} form={rule} wrong={(path) => wrong(`rule.${path}`)} onChange={set} />
      <FormFields fields={DURATION} form={form} wrong={(path) => wrong(path, 'sampleS')} onChange={fill} />
    </Group>
  );
}

/** Thresholds of section “Shift points”, with their band. */
function FromPoints({ cue }: { cue: 'speed' | 'torque' }) {
  const setup = useSetup();
  const { rule } = useTypedFields('rule');
  const fill = useFill();
  const take = () => {
    if (!setup) return;
    const { down, up } = soundThresholds(setup.gearings, setup.points, setup.scenario.motor, cue);
    fill({ rule: { ...rule, down: texts(down), up: texts(up) } });
  };
  return (
    <button
      type="button"
      className="btn btn-xs"
      disabled={!setup}
      title="Down where the power is equal, up a little above"
      onClick={take}
    >
      Suggest thresholds
    </button>
  );
}

const texts = (values: Readonly<Record<string, number>>) =>
  Object.fromEntries(Object.entries(values).map(([id, value]) => [id, figureText(value, 4)]));

function Thresholds({ unit }: { unit: string }) {
  const { rule, order } = useTypedFields('rule', 'order');
  const fill = useFill();
  const wrong = useWrong();
  const nameOf = useNameOf();
  const message = wrong('rule.down', 'rule.up');
  const field = (way: 'down' | 'up', id: string, to: string | undefined) =>
    to === undefined ? (
      <td />
    ) : (
      <td className="py-0.5">
        <input
          className="input input-xs figure w-20 aria-invalid:border-error"
          aria-label={`${nameOf(id)} ${way} to ${nameOf(to)} at`}
          aria-invalid={wrong(`rule.${way}.${id}`) !== null}
          value={rule[way][id] ?? ''}
          onChange={(event) => fill({ rule: { ...rule, [way]: { ...rule[way], [id]: event.target.value } } })}
        />
      </td>
    );
  return (
    <>
      <table>
        <thead>
          <tr className="muted text-left">
            <th className="font-normal">leave</th>
            <th className="font-normal">down at</th>
            <th className="font-normal">up at</th>
            <td className="w-9" />
          </tr>
        </thead>
        <tbody>
          {order.map((id, i) => (
            <tr key={id}>
              <th className="max-w-16 truncate text-left font-normal">{nameOf(id)}</th>
              {field('down', id, order[i - 1])}
              {field('up', id, order[i + 1])}
              <td>{unit}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {message !== null && (
        <p role="alert" className="text-error">
          {message}
        </p>
      )}
    </>
  );
}
