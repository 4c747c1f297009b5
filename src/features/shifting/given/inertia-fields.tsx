import { memberName } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { TextInput, Group } from '@/ui/form-fields';
import type { ShiftingForm } from '../form';
import { useFill, useTypedFields, useWrong } from '../use-shifting';

/** What has to be brought up to speed. */
export function InertiaFields() {
  const { inertia } = useTypedFields('inertia');
  const train = useTrain((state) => state.train);
  const fill = useFill();
  const wrong = useWrong();
  const set = (change: Partial<ShiftingForm['inertia']>) => fill({ inertia: { ...inertia, ...change } });
  return (
    <Group name="Inertia">
      <TextInput
        label="Motor"
        unit="kg m²"
        unitWidth="w-14"
        value={inertia.input}
        message={wrong('inertia.inputKgM2')}
        onChange={(input) => set({ input })}
      />
      <TextInput
        label="At the output"
        unit="kg m²"
        unitWidth="w-14"
        title="A mass counts by itself"
        value={inertia.output}
        message={wrong('inertia.outputKgM2')}
        onChange={(output) => set({ output })}
      />
      <details>
        <summary className="muted cursor-pointer">Of members</summary>
        <div className="flex flex-col gap-1 pt-1">
          {train.members.map(({ id }) => (
            <TextInput
              key={id}
              label={memberName(train, id)}
              unit="kg m²"
              unitWidth="w-14"
              value={inertia.members[id] ?? ''}
              placeholder="0"
              message={wrong(`inertia.membersKgM2.${id}`)}
              onChange={(text) => set({ members: { ...inertia.members, [id]: text } })}
            />
          ))}
        </div>
      </details>
    </Group>
  );
}
