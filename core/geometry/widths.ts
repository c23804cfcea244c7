/** A person needs a way so wide between what stands on the floor, and one in a wheelchair, m. */
export const SHOULDERS_M = 0.5
export const WHEELCHAIR_M = 0.9
