/** Where it is only tried whether what measures still runs, as `npm test` does, there is little of everything. */
export const isSmall = process.env.MAPSTEP_SMALL === '1';

/** So many, or few where it is only tried. */
export function orFew(many, few) {
  return isSmall ? few : many;
}
