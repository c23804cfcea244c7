/** Whether a bed lies under the row cover: one that is said to lie over no bed lies over all. */
export const isUnderRow = ({ on, inBeds }: { on: boolean; inBeds: readonly number[] }, bed: number): boolean =>
  on && (inBeds.length === 0 || inBeds.includes(bed))
