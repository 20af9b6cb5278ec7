/** Who dances with whom in one stretch between two changes of partner. */
export interface Round {
  readonly pairs: readonly (readonly [leader: string, follower: string])[];
  /** Those who wait, because the roles are uneven. */
  readonly waiting: readonly string[];
}

/**
 * The partners of a round, counted from 0. Nobody meets a partner again before having met all others, and at no time has
 * anybody waited more than once more than anybody else of their role. With L and F dancers one time round takes max(L, F)
 * rounds; the fewer stand still, spread evenly along the circle of the others. Linear in the dancers.
 */
export function partnersIn(leaders: readonly string[], followers: readonly string[], round: number): Round {
  const isMoreLeaders = leaders.length > followers.length;
  const [few, many] = isMoreLeaders ? [followers, leaders] : [leaders, followers];
  if (few.length === 0) return { pairs: [], waiting: many };
  const met = few.map((standing, index) => {
    const place = Math.floor((index * many.length) / few.length);
    return [standing, many[(place + round) % many.length] ?? standing] as const;
  });
  const dancing = new Set(met.map(([, moving]) => moving));
  return {
    pairs: met.map(([standing, moving]) => (isMoreLeaders ? [moving, standing] : [standing, moving])),
    waiting: many.filter(dancer => !dancing.has(dancer)),
  };
}
