import { useState } from 'react';
import { calibrate, freeSpeed, motorLine, peakPower, torqueAt, type Calibration } from '@/core/shifting';
import { figure, readFigure } from '@/core/units';
import { TextInput, Group, Pick } from '@/ui/form/inputs';
import type { ShiftingForm, MotorKind } from '../form';
import { useFill, useShiftingForm, useTypedFields, useSetup, useWrong } from '../use-shifting';
import { HAND_MOTOR, HEAT, LINEAR_MOTOR } from '../fields';
import { figureText } from '@/ui/form/fields';
import { FormFields } from '@/ui/form/form-fields';
import { LinesField } from './lines-field';
import { SmallCurve } from './small-curve';

const KINDS: Record<MotorKind, string> = {
  linear: 'straight line',
  table: 'measured line',
  hand: 'by hand',
};

/** The source of power, with its line as it stands. */
export function MotorFields() {
  const form = useShiftingForm();
  const { motor } = form;
  const fill = useFill();
  const wrong = useWrong();
  const set = (change: Partial<ShiftingForm['motor']>) => fill({ motor: { ...motor, ...change } });
  const at = (path: string) => wrong(`motor.${path}`);
  return (
    <Group name="Motor">
      <Pick label="Its line" value={motor.kind} choices={KINDS} onChange={(kind) => set({ kind })} />
      {motor.kind === 'linear' && <FormFields fields={LINEAR_MOTOR} form={motor} wrong={at} onChange={set} />}
      {motor.kind === 'table' && (
        <>
          <LinesField
            label="Measured line"
            heads={['rpm', 'N·m']}
            value={motor.points}
            message={wrong('motor.points')}
            onChange={(points) => set({ points })}
          />
          <Uneven />
        </>
      )}
      {motor.kind === 'hand' && <FormFields fields={HAND_MOTOR} form={motor} wrong={at} onChange={set} />}
      <FormFields fields={HEAT} form={form} wrong={wrong} onChange={fill} />
      <MotorCurve />
      {motor.kind === 'linear' && <Reading />}
    </Group>
  );
}

/** A line that rises somewhere is taken as it is, and that is said. */
function Uneven() {
  const setup = useSetup();
  if (setup?.scenario.motor.kind !== 'table') return null;
  const rises = motorLine(setup.scenario.motor).some(({ b }) => b > 0);
  return rises ? (
    <p role="status" className="border-l-3 border-warning pl-2">
      Its torque rises with speed somewhere. It is taken as it is: the first point met from standstill counts, and shift
      points are where powers are equal.
    </p>
  ) : null;
}

const STEPS = 60;

function MotorCurve() {
  const setup = useSetup();
  if (!setup) return null;
  const line = motorLine(setup.scenario.motor);
  const { rpm, power } = peakPower(line);
  const most = freeSpeed(line);
  const speeds = Array.from({ length: STEPS + 1 }, (_, i) => (i / STEPS) * most);
  const torques = speeds.map((speed): [number, number] => [speed, Math.max(0, torqueAt(line, speed))]);
  const highest = Math.max(...torques.map(([, torque]) => torque));
  const hump = torques.map(([speed, torque]): [number, number] => [
    speed,
    power > 0 ? ((speed * torque) / power) * highest : 0,
  ]);
  return (
    <SmallCurve
      title={
        `Torque ${figure(torqueAt(line, 0))} N·m at standstill; most power, ` +
        `${figure((power * Math.PI) / 30)} W, at ${figure(rpm)} rpm`
      }
      xUnit="rpm"
      yUnit="N·m"
      curves={[{ points: torques }, { points: hump, power: true }]}
    />
  );
}

/** One reading of the no-load speed with the box on says what the box takes. */
function Reading() {
  const { motor } = useTypedFields('motor');
  const fill = useFill();
  const setup = useSetup();
  const [text, setText] = useState('');
  const read = readFigure(text, 'rpm');
  const linear = setup?.scenario.motor.kind === 'linear' ? setup.scenario.motor : null;
  const found: Calibration | null = linear && text.trim() !== '' && read > 0 ? calibrate(linear, read) : null;
  return (
    <details>
      <summary className="muted cursor-pointer">One reading with the box on</summary>
      <TextInput
        label="It turns, unloaded, at"
        unit="rpm"
        value={text}
        message={text.trim() === '' || found ? null : 'A speed above 0 and at most the no-load speed.'}
        onChange={setText}
      />
      {found && (
        <>
          <p>
            Gearbox drag: {figure(found.torqueNm)} N·m at the motor, {figure(found.watts)} W lost.
          </p>
          <button
            type="button"
            className="btn btn-xs"
            onClick={() =>
              fill({
                motor: {
                  ...motor,
                  stallTorque: figureText(found.motor.stallTorqueNm, 4),
                  noLoad: figureText(found.motor.noLoadRpm, 4),
                },
              })
            }
          >
            Use the motor as it comes through the box
          </button>
        </>
      )}
    </details>
  );
}
