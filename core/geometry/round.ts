/** Rings of a dome between its riser wall and its top, and sides to each ring. */
export const DOME_RINGS = 3
export const DOME_SIDES = 12
