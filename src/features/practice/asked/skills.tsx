import { SKILL_NAMES, SKILLS, type Skill } from '@/core/practice';
import { Group, Tick } from '@/ui/form/inputs';

const ALL = Object.keys(SKILLS) as Skill[];

/** Which skills are asked: all of them mixed, or those that are ticked. */
export function Skills({
  skills,
  onChange,
}: {
  skills: readonly Skill[];
  onChange: (skills: readonly Skill[]) => void;
}) {
  return (
    <Group name="Skills">
      <details open={skills.length > 0}>
        <summary className="cursor-pointer">
          {skills.length === 0 ? `All ${ALL.length}, mixed` : `${skills.length} of ${ALL.length}`}
        </summary>
        <fieldset className="mt-1 flex flex-col">
          <legend className="sr-only">Skills</legend>
          <Tick label="All, mixed" checked={skills.length === 0} onChange={() => onChange([])} />
          {ALL.map((skill) => (
            <Tick
              key={skill}
              label={SKILL_NAMES[skill]}
              checked={skills.includes(skill)}
              onChange={(checked) => onChange(checked ? [...skills, skill] : skills.filter((one) => one !== skill))}
            />
          ))}
        </fieldset>
      </details>
    </Group>
  );
}

export const skillsOf = (skills: readonly Skill[]): readonly Skill[] => (skills.length === 0 ? ALL : skills);
