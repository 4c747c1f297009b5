import { FRAME, TRAIN_FIGURES, type Problem, type Train, type TrainFigure } from '../train';
import type { Places } from './assemble';

interface Placed {
  readonly train: Train;
  readonly places: Places;
}

const LISTS = ['members', 'gears', 'meshes', 'couplers', 'selectors', 'positions', 'outputs', 'setAside'] as const;

/** A document without the parts that break a rule, and without what stood on them. */
export function without({ train, places }: Placed, problems: readonly Problem[]): Placed {
  const bad = new Set(problems.map(({ path: [list, which] }) => `${list} ${which}`));
  const kept = Object.fromEntries(
    LISTS.map((list) => [list, (train[list] ?? []).map((_, i) => i).filter((i) => !bad.has(`${list} ${i}`))]),
  ) as Record<(typeof LISTS)[number], number[]>;
  const keep = <T>(
    list: (typeof LISTS)[number],
    parts: readonly T[],
    holds: (part: T) => boolean = () => true,
  ): T[] => {
    kept[list] = kept[list].filter((i) => i < parts.length && holds(parts[i] as T));
    return kept[list].map((i) => parts[i] as T);
  };
  const members = keep('members', train.members).map((member) => member);
  const there = new Set([FRAME, ...members.map(({ id }) => id)]);
  const gears = keep('gears', train.gears, ({ member }) => there.has(member));
  const gearIds = new Set(gears.map(({ id }) => id));
  const meshes = keep('meshes', train.meshes, (mesh) => mesh.gears.every((id) => gearIds.has(id)));
  const meshIds = new Set(meshes.map(({ id }) => id));
  const couplers = keep('couplers', train.couplers, (coupler) =>
    'joins' in coupler ? coupler.joins.every((id) => there.has(id)) : meshIds.has(coupler.mesh),
  );
  const couplerIds = new Set<string>(couplers.map(({ id }) => id));
  const selectors = keep('selectors', train.selectors ?? []).map((selector) => ({
    ...selector,
    spans: selector.spans.filter(({ coupler }) => couplerIds.has(coupler)),
  }));
  const positions = keep('positions', train.positions).map((position) => ({
    ...position,
    engaged: position.engaged.filter((id) => couplerIds.has(id)),
  }));
  const input = there.has(train.input) ? train.input : (members[0]?.id ?? '');
  const outputs = keep('outputs', train.outputs, (id) => there.has(id) && id !== input);
  const spare = members.find(({ id }) => id !== input);
  const whole = (key: 'notes' | 'efficiency' | 'tipSpeedLimits' | 'elasticity' | TrainFigure) =>
    train[key] !== undefined && !problems.some(({ path: [what] }) => what === key) ? { [key]: train[key] } : {};
  return {
    train: {
      format: train.format,
      version: train.version,
      name: bad.has('name undefined') ? 'New train' : train.name,
      members: members.map(({ carrier, copies, ...member }) =>
        carrier !== undefined && there.has(carrier) && carrier !== FRAME
          ? { ...member, carrier, ...(copies !== undefined && { copies }) }
          : member,
      ),
      gears,
      meshes,
      couplers,
      ...(selectors.length > 0 && { selectors }),
      positions,
      input,
      outputs: outputs.length > 0 || !spare ? outputs : [spare.id],
      ...whole('notes'),
      ...whole('efficiency'),
      ...whole('tipSpeedLimits'),
      ...whole('elasticity'),
      ...Object.assign({}, ...TRAIN_FIGURES.map(({ key }) => whole(key))),
    },
    places: {
      ...places,
      ...Object.fromEntries(LISTS.map((list) => [list, kept[list].flatMap((i) => places[list][i] ?? [])])),
    },
  };
}
