import { choose } from './choose';
import { elementsIn } from './element-set';
import { mergingsOf } from './mergings';
import { allElements, motionWith, openMotions } from './motions';
import { partitions } from './partitions';

/** Three sets, of any kind. */
const STANDINGS = [-2.2, 3.1, -1.7];

function* choicesOf(count: number, of: number, from = 0): Generator<readonly number[]> {
  if (of === 0) return yield [];
  for (let i = from; i <= count - of; i++) for (const rest of choicesOf(count, of - 1, i + 1)) yield [i, ...rest];
}

describe.each([
  [6, 0, 2],
  [6, 1, 2],
  [7, 0, 3],
  [7, 1, 3],
  [7, 2, 3],
  [4, 0, 0],
  [5, 0, 1],
])('%i members, %i bare, %i elements engaged', (members, bare, engaged) => {
  const elements = allElements(members, bare);
  const mergings = mergingsOf(members, bare, engaged, elements);
  const numbers = Array.from({ length: mergings.count }, (_, i) => i);
  const all = numbers.flatMap((one) => mergings.choices(one).map((set) => ({ one, chosen: elementsIn(set) })));

  test('every choice of elements that joins something anew with each makes one of them', () => {
    const known = new Set(all.map(({ chosen }) => chosen.join()));
    expect(known.size).toBe(all.length);
    const wrong: string[] = [];
    for (const chosen of choicesOf(elements.count, engaged)) {
      // The frame is one more; each element that joins takes one part away.
      const part = Array.from({ length: members + 1 }, (_, i) => i);
      for (const element of chosen) {
        const [a, b] = [elements.first[element]!, elements.second[element]!];
        const [own, other] = [part[a]!, part[b < 0 ? members : b]!];
        part.forEach((name, i) => (part[i] = name === own ? other : name));
      }
      const idle = part.filter(
        (name, i) => i < members && i >= members - bare && part.indexOf(name) === part.lastIndexOf(name),
      );
      const isWhole = new Set(part).size === members + 1 - engaged && idle.length === 0;
      if (known.has(chosen.join()) !== isWhole) wrong.push(chosen.join());
    }
    expect(wrong).toEqual([]);
  });

  test('all choices of a merging leave the same motion, in which its parts move as one', () => {
    const blocks = members - bare;
    const sets = members - engaged - 1;
    const memberOf = partitions(sets, blocks).all()[1]!;
    const basis = openMotions(memberOf, STANDINGS.slice(0, sets), members)!;
    const wrong: string[] = [];
    let seen = 0;
    for (const { one, chosen } of all) {
      const motion = motionWith(basis, members, elements, chosen);
      const first = motionWith(basis, members, elements, elementsIn(mergings.choices(one)[0]!));
      if ((motion === null) !== (first === null)) wrong.push(chosen.join());
      if (!motion || !first) continue;
      seen++;
      const at = first.reduce((best, speed, m) => (Math.abs(speed) > Math.abs(first[best]!) ? m : best), 0);
      const moving = mergings.moving(one);
      const isSame = motion.every((speed, m) => {
        const head = moving.find((part) => part.includes(m))?.[0];
        const together = head === undefined ? 0 : motion[head]!;
        return (
          Math.abs(speed / motion[at]! - first[m]! / first[at]!) < 1e-9 &&
          Math.abs((speed - together) / motion[at]!) < 1e-9
        );
      });
      if (!isSame) wrong.push(chosen.join());
    }
    expect(wrong).toEqual([]);
    expect(seen).toBeGreaterThan(0);
  });

  test('neighbours begin alike as far as is said', () => {
    numbers.forEach((one) => {
      const own = [...mergings.elements.subarray(one * engaged, (one + 1) * engaged)];
      const before = one > 0 ? [...mergings.elements.subarray((one - 1) * engaged, one * engaged)] : [];
      const shared = mergings.shared[one]!;
      expect(own.slice(0, shared)).toEqual(before.slice(0, shared));
      expect(mergings.choices(one).map((set) => elementsIn(set).join())).toContain(own.join());
    });
  });
});

test('there are as many as ways to put members and frame into fewer parts', () => {
  // Stirling numbers of the second kind: 7 things into 5 parts, 9 into 6.
  expect(mergingsOf(6, 0, 2, allElements(6, 0)).count).toBe(140);
  expect(mergingsOf(8, 0, 3, allElements(8, 0)).count).toBe(2646);
  expect(choose(34, 3)).toBe(5984);
});
