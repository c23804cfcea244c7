import { entry, LEAKAGE_CLASSES } from '../catalog'
import type { Design } from '../design/types'

/** Tightness as air changes an hour under 50 Pa. */
export function ach50Of(breathe: Design['breathe']): number {
  return breathe.leakage === 'measured' ? breathe.ach50 : entry(LEAKAGE_CLASSES, breathe.leakage).ach50
}
