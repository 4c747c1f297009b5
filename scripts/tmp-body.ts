import { readFileSync } from 'node:fs';
import { bodyOf, triangleCount } from '@/core/body';
import { parseTrain } from '@/core/train';
for (const f of process.argv.slice(2)) {
  const r: any = (parseTrain as any)(readFileSync(f, "utf8"));
  const train = r.value ?? r.train ?? r;
  for (let k = 0; k < 3; k++) {
    const t = performance.now();
    const b = bodyOf(train);
    const ms = performance.now() - t;
    if (!b.ok) { console.log(f, JSON.stringify(b)); continue; }
    const tri = b.value.nodes.reduce((s, n) => s + triangleCount(b.value.surfaces[n.surface]!), 0);
    if (k === 2) {
      console.log(f.split('/').pop(), Math.round(ms), 'ms', tri, 'triangles', b.value.nodes.length, 'nodes', b.value.isTrue);
      for (const t of b.value.touching) console.log('   touching', JSON.stringify(t));
      // watertight
      b.value.surfaces.forEach((s, i) => {
        const ids = new Map<string, number>();
        const at: number[] = [];
        for (let v = 0; v < s.positions.length; v += 3) {
          const key = [0, 1, 2].map((c) => s.positions[v + c]!.toFixed(4)).join();
          if (!ids.has(key)) ids.set(key, ids.size);
          at.push(ids.get(key)!);
        }
        const edges = new Map<string, number>();
        let bad = 0;
        let vol = 0;
        for (let c = 0; c < s.corners.length; c += 3) {
          const t3 = [0, 1, 2].map((k) => at[s.corners[c + k]!]!);
          const p = [0, 1, 2].map((k) => [...s.positions.slice(3 * s.corners[c + k]!, 3 * s.corners[c + k]! + 3)]) as number[][];
          vol += (p[0]![0]! * (p[1]![1]! * p[2]![2]! - p[1]![2]! * p[2]![1]!) - p[0]![1]! * (p[1]![0]! * p[2]![2]! - p[1]![2]! * p[2]![0]!) + p[0]![2]! * (p[1]![0]! * p[2]![1]! - p[1]![1]! * p[2]![0]!)) / 6;
          for (let k = 0; k < 3; k++) {
            const [a, b2] = [t3[k]!, t3[(k + 1) % 3]!];
            if (a === b2) continue;
            const key = a < b2 ? `${a} ${b2}` : `${b2} ${a}`;
            edges.set(key, (edges.get(key) ?? 0) + (a < b2 ? 1 : -1));
          }
        }
        for (const [, n] of edges) if (n !== 0) bad++;
        const node = b.value.nodes.find((n) => n.surface === i)!;
        if (bad > 0 || vol <= 0) console.log('   BAD', i, node.member, bad, 'of', edges.size, 'vol', vol);
      });
    }
  }
}
