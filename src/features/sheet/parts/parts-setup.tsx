import { useTrain } from '@/features/train/use-train';
import { Group } from '@/ui/form/inputs';
import { Assembly } from './assembly';
import { usePartsList } from './use-parts';

/** What the list is about, and how planets are put in. */
export function PartsSetup() {
  const { list, speedRpm, torqueNm } = usePartsList();
  const unsized = list.parts.filter(({ moduleMm }) => moduleMm === null).length;
  const train = useTrain((state) => state.train);
  return (
    <>
      <Group name="Wheels">
        <p>
          {list.wheels} to be made, {list.different} different ones.
        </p>
        {unsized > 0 && (
          <p className="muted">
            {unsized === list.parts.length
              ? 'No gear has a module yet'
              : `${unsized} have no size: no module is given, and none follows`}
            . Give one on the gear’s card on the Bench.
          </p>
        )}
        <p className="muted">
          At {speedRpm === null ? 'no speed' : `${speedRpm} rpm`} and{' '}
          {torqueNm === null ? 'no torque' : `${torqueNm} N·m`} at the input, without losses. The torque is the largest
          that one mesh puts on the teeth.
        </p>
      </Group>
      <Assembly train={train} />
    </>
  );
}
