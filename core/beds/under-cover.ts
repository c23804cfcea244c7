/** Whether a bed lies under the row cover: a list of no beds means all of them. */
export const isUnderRow = ({ on, inBeds }: { on: boolean; inBeds: readonly number[] }, bed: number): boolean =>
  on && (inBeds.length === 0 || inBeds.includes(bed))
