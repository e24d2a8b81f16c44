/** Everything a thing came from and everything that comes of it, itself included. */
export function trailOf(start: string, linked: readonly (readonly [string, string])[]): Set<string> {
  const out = new Set([start]);
  const follow = (key: string, from: 0 | 1, to: 0 | 1) => {
    for (const l of linked)
      if (l[from] === key && !out.has(l[to])) {
        out.add(l[to]);
        follow(l[to], from, to);
      }
  };
  follow(start, 0, 1);
  const forward = new Set(out);
  out.clear();
  out.add(start);
  follow(start, 1, 0);
  for (const k of forward) out.add(k);
  return out;
}
