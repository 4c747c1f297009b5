import { fieldTable } from '@/ui/form/fields';

// The figures of a scenario, as they are typed and as its schema has them.

export const LINEAR_MOTOR = fieldTable(
  { key: 'stallTorque', path: 'stallTorqueNm', label: 'Stall torque', unit: 'N·m', required: true },
  { key: 'noLoad', path: 'noLoadRpm', label: 'No-load speed', unit: 'rpm', required: true },
  {
    key: 'supply',
    path: 'supply',
    label: 'Supply',
    unit: '%',
    scale: 0.01,
    required: true,
    hint: 'Of the voltage that the stall torque and the no-load speed are given for; it scales both.',
  },
);

export const HAND_MOTOR = fieldTable(
  { key: 'handTorque', path: 'torqueNm', label: 'Constant torque', unit: 'N·m', required: true },
  { key: 'handRpm', path: 'rpm', label: 'up to', unit: 'rpm', required: true },
);

export const LOAD_TORQUES = fieldTable(
  { key: 'constant', path: 'constantNm', label: 'Constant', unit: 'N·m' },
  {
    key: 'linear',
    path: 'linearNmPerRadS',
    label: 'with speed',
    unit: 'N·m s',
    hint: 'For each rad/s of the output',
  },
  {
    key: 'square',
    path: 'squareNmPerRadS2',
    label: 'with its square',
    unit: 'N·m s²',
    hint: 'For each rad/s of the output, squared: pumps, fans',
  },
);

/** A mass that hangs on a drum, or rolls on wheels. */
export const massFields = (rolls: boolean) =>
  fieldTable(
    { key: 'kilograms', path: 'massKg', label: 'of', unit: 'kg', required: true },
    {
      key: 'diameter',
      path: 'wheelDiameterMm',
      label: rolls ? 'Wheel diameter' : 'Drum diameter',
      unit: 'mm',
      required: true,
    },
  );

export const VEHICLE = fieldTable(
  { key: 'grade', path: 'grade', label: 'Grade', unit: '%', scale: 0.01, hint: 'Rise over run' },
  { key: 'rolling', path: 'rolling', label: 'Rolling drag', unit: 'of weight' },
  { key: 'air', path: 'airNAt1MS', label: 'Air drag', unit: 'N at 1 m/s', hint: 'With the square of the speed' },
);

export const INERTIA = fieldTable(
  { key: 'input', path: 'inputKgM2', label: 'Motor', unit: 'kg m²' },
  { key: 'output', path: 'outputKgM2', label: 'At the output', unit: 'kg m²', hint: 'A mass counts by itself' },
);

export const RULE_TIMES = fieldTable(
  { key: 'shift', path: 'shiftS', label: 'A shift takes', unit: 's', placeholder: '0' },
  { key: 'minimum', path: 'minimumS', label: 'Minimum time in a position', unit: 's', placeholder: '0' },
);

export const LAG = fieldTable({
  key: 'lag',
  path: 'lagS',
  label: 'Follows within',
  unit: 's',
  hint: 'Time constant; of a spring its damping over its stiffness',
});

export const SPRING = fieldTable(
  { key: 'stiffness', path: 'stiffnessNmPerDeg', label: 'Spring stiffness', unit: 'N·m/°' },
  { key: 'preload', path: 'preloadNm', label: 'Preload', unit: 'N·m' },
  { key: 'damping', path: 'dampingNmSPerDeg', label: 'Damping', unit: 'N·m s/°' },
  { key: 'detentOn', path: 'detentOnNm', label: 'Detent releases at', unit: 'N·m' },
  { key: 'detentOff', path: 'detentOffNm', label: 'and catches again at', unit: 'N·m' },
  { key: 'arm', path: 'armMm', label: 'Scale on an arm of', unit: 'mm' },
);

/** All of a detector that feels torque. */
export const DETECTOR = fieldTable(...LAG, ...SPRING);

export const START = fieldTable({
  key: 'outputRpm',
  path: 'outputRpm',
  label: 'at an output speed of',
  unit: 'rpm',
  placeholder: '0',
});

export const HEAT = fieldTable({
  key: 'heatLimit',
  path: 'heatLimit',
  label: 'Continuous limit',
  unit: '(T/T₀)²',
  hint: 'Torque over stall torque, squared, allowed continuously. Empty: no limit.',
});

export const DURATION = fieldTable({ key: 'duration', path: 'durationS', label: 'A run lasts', unit: 's' });
