/** How a vessel's colour is drawn. */
export const VESSEL_COLOUR: Record<string, string> = {
  'black': '#2b2926',
  'dark-red': '#8d3f2f',
  'blue': '#33587e',
  'white': '#e9e4d8',
}
