import { checkDesign } from '@/core/checks';
import { toFraction } from '@/core/rational';
import type { Train } from '@/core/train';
import { memberName } from '@/core/words';
import { Group } from '@/ui/form/inputs';
import { required } from '@/core/required';

/** How planets are put in: how many, how far apart, and for stepped ones where each mark points. */
export function Assembly({ train }: { train: Train }) {
  const planets = train.members.filter(
    ({ carrier, copies }) => carrier !== undefined && copies !== undefined && copies > 1,
  );
  if (planets.length === 0) return null;
  const found = checkDesign(train);
  const marked = found.filter(({ marks }) => marks.length > 0);
  const wrong = found.filter(({ kind }) => kind === 'assembly');
  return (
    <Group name="Putting planets in">
      <ul className="flex flex-col gap-1">
        {planets.map(({ id, carrier, copies }) => (
          <li key={id}>
            {copies} × {memberName(train, id)} on {memberName(train, required(carrier))}, every {360 / required(copies)}
            °
          </li>
        ))}
      </ul>
      {wrong.map(({ key, what }) => (
        <p key={key} className="text-error">
          {what}
        </p>
      ))}
      {marked.map(({ key, marks, what }) => (
        <div key={key}>
          <p>{what}</p>
          <table className="text-xs">
            <thead>
              <tr className="text-left">
                <th scope="col" className="pr-3">
                  Planet
                </th>
                <th scope="col" className="pr-3">
                  Stands at
                </th>
                <th scope="col">Its mark is turned by</th>
              </tr>
            </thead>
            <tbody>
              {marks.map(({ planet, at, mark }) => (
                <tr key={planet}>
                  <td>{planet}</td>
                  <td className="figure">{toFraction(at)} turn</td>
                  <td className="figure">{toFraction(mark)} turn</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ))}
      <p className="muted">
        Fix the carrier, put the first planet in with its mark pointing out, then the others one after the other; turn
        the sun to let each in, never force one.
      </p>
    </Group>
  );
}
