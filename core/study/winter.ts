/** One winter of many: its coldest hour inside and outside, and how far that was above what lives there bears, K. */
export interface Winter {
  /** What it is called; those that were kept before winters had names have their seed for one. */
  name?: string
  seed: number
  insideC: number
  outsideC: number
  marginK: number | null
}
