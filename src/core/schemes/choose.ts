/** How many ways there are to take k of n. */
export function choose(n: number, k: number): number {
  let ways = k > n ? 0 : 1;
  for (let i = 0; i < k && ways > 0; i++) ways = (ways * (n - i)) / (i + 1);
  return ways;
}
