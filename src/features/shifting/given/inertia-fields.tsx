import { memberName } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { TextInput, Group } from '@/ui/form/inputs';
import { FormFields } from '@/ui/form/form-fields';
import { INERTIA } from '../fields';
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
      <FormFields
        fields={INERTIA}
        form={inertia}
        unitWidth="w-14"
        wrong={(path) => wrong(`inertia.${path}`)}
        onChange={set}
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
