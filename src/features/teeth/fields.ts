import { fieldTable } from '@/ui/form/fields';

// The figures of a search, as they are typed and as its schema has them.

export const MODULE = fieldTable({ key: 'module', path: 'module', label: 'Module', unit: 'mm' });
const BORE = fieldTable({
  key: 'bore',
  path: 'bore',
  label: 'Outside of bearing or bore',
  unit: 'mm',
  hint: 'The root circle, m (z − 2.5), has to leave room for it.',
});
const WALL = fieldTable({ key: 'wall', path: 'wall', label: 'Wall left round it', unit: 'mm' });
export const SPACE = fieldTable({
  key: 'space',
  path: 'space',
  label: 'Largest outside diameter',
  unit: 'mm',
  hint: 'm (z + 2) has to stay within it.',
});
export const SIZES = [...MODULE, ...BORE, ...WALL, ...SPACE];

export const UNDERCUT = fieldTable(
  { key: 'pressureAngle', path: 'pressureAngle', label: 'Pressure angle', unit: '°', required: true },
  { key: 'shift', path: 'shift', label: 'Profile shift', unit: '× m', hint: 'In modules.', required: true },
);

export const MOST_ERROR = fieldTable({
  key: 'maxError',
  path: 'maxError',
  label: 'Largest error',
  unit: '%',
  scale: 0.01,
  placeholder: 'any',
});
export const TIME = fieldTable({
  key: 'timeS',
  path: 'timeS',
  label: 'Time limit',
  unit: 's',
  hint: 'The search ends after so long with the best found, and says so.',
  placeholder: 'none',
});

export const LADDER_COUNT = fieldTable({
  key: 'positions',
  path: 'positions',
  label: 'Positions',
  required: true,
});
export const LADDER_FACTOR = fieldTable({
  key: 'factor',
  path: 'factor',
  label: 'Each step over the next',
  required: true,
});

export const RANGES = fieldTable(
  {
    key: 'step',
    path: 'step',
    label: 'Step of the ladder',
    hint: 'Ratio of a position over that of the next one.',
    required: true,
  },
  { key: 'positions', path: 'positions', label: 'Positions of the ladder', required: true },
  { key: 'ranges', path: 'ranges', label: 'Ranges', required: true },
);
