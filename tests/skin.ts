import type { Design } from '../core/design'

/** A skin with both ends glazed to a share, and with the slopes on the pole side made otherwise. */
export function madeSkin(
  skin: Design['skin'],
  { endsGlazedShare = 0.2, pole = 'solid' as 'solid' | 'glazed' },
): Design['skin'] {
  const { parts } = skin
  return {
    ...skin,
    parts: {
      ...parts,
      poleSlope: { ...parts.poleSlope, kind: pole },
      lowerPoleSlope: { ...parts.lowerPoleSlope, kind: pole },
      eastEnd: { ...parts.eastEnd, glazedShare: endsGlazedShare },
      westEnd: { ...parts.westEnd, glazedShare: endsGlazedShare },
    },
  }
}
