/** The station of a block a group begins at: groups are spread evenly round it. Both are counted from 0. */
export const startOf = (group: number, groups: number, stations: number): number =>
  Math.floor(((group % groups) * stations) / groups);
