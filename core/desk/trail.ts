type Links = readonly (readonly [string, string])[];

/** Everything that comes of a thing, itself first. */
export const comesOf = (start: string, links: Links): Set<string> => follow(start, links, 0);

/** Everything a thing came from and everything that comes of it, itself included. */
export const trailOf = (start: string, links: Links): Set<string> =>
  new Set([...follow(start, links, 1), ...follow(start, links, 0)]);

/** @param end  the end of a link from which it is followed: 0 forward, 1 back */
function follow(start: string, links: Links, end: 0 | 1): Set<string> {
  const out = new Set([start]);
  // A set gives also what is added while it is walked through.
  for (const key of out) for (const link of links) if (link[end] === key) out.add(link[1 - end]!);
  return out;
}
