import type { Outline } from '../../core/geometry/section'

/** Metres of the section to pixels of the drawing. */
export interface SectionScale {
  width: number
  height: number
  /** Pixels to a metre. */
  ppm: number
  x: (metres: number) => number
  y: (metres: number) => number
  /** Pixel distances back to metres. */
  toX: (pixel: number) => number
  toZ: (pixel: number) => number
}

/**
 * A scale that fits the section, its walls, its labels and some ground, so much at least, into a drawing. While `held`
 * is set (a drag), the scale stands still.
 */
export function makeSectionScale(
  outline: Outline,
  width: number,
  height: number,
  held: SectionScale | null,
  deepM = 0,
): SectionScale {
  if (held && held.width === width && held.height === height) return held
  const narrow = width < 560
  const side = narrow ? 72 : 132
  const head = narrow ? 84 : 48
  const foot = narrow ? 84 : 78
  const ppm = Math.max(
    8,
    Math.min(
      (width - 2 * side) / (outline.widthM + 0.5),
      (height - head - foot) / outline.ridgeHeightM,
      (height - head) / (outline.ridgeHeightM + deepM),
    ),
  )
  const left = (width - outline.widthM * ppm) / 2
  const ground = height - Math.max(foot, deepM * ppm)
  return {
    width,
    height,
    ppm,
    x: m => left + m * ppm,
    y: m => ground - m * ppm,
    toX: px => (px - left) / ppm,
    toZ: px => (ground - px) / ppm,
  }
}
