/** One winter of many: its coldest hour inside and outside, and how far that was above what lives there bears, K. */
export interface Winter {
  seed: number
  insideC: number
  outsideC: number
  marginK: number | null
}
