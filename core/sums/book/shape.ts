import { designDays } from '../../climate'
import { makeOutline, sunnyAzimuthDeg } from '../../geometry/section'
import { profileAngleDeg } from '../../sun'
import { kneeWallSnow, rayInSection } from '../shade'
import { line, type Sum } from '../sum'
import { SOLSTICE_DEG, angleSchools } from '../glazing-angle'
import type { BookEntry, SumContext } from './entry'

/** Slope that the noon sun of midwinter meets head-on. */
function midwinterAngle({ design }: SumContext): Sum<number> {
  const latitude = Math.abs(design.site.latitudeDeg)
  const angle = angleSchools(latitude, 45).find(s => s.id === 'solstice')!.angleDeg
  return {
    result: angle,
    rule: 'Head-on to the noon sun at the winter solstice. Diffusing sheets lose little within 40° of it.',
    lines: [
      line('φ', 'latitude', latitude, 'angle'),
      line('δ', 'the sun stands so much lower in midwinter', SOLSTICE_DEG, 'angle'),
      line('α', 'φ + δ, upright at the most', angle, 'angle'),
    ],
  }
}

/** Angle of the sun's ray in the section at noon of the cold design day, degrees. */
function coldRay({ design, site }: SumContext): number {
  const { noonAltitudeDeg, noonAzimuthDeg } = designDays(site).cold
  if (noonAltitudeDeg < 1) return 0
  return profileAngleDeg(
    noonAltitudeDeg,
    noonAzimuthDeg,
    sunnyAzimuthDeg(design.site.latitudeDeg, design.shape.turnDeg),
  )
}

/** Forms whose sunny glazing is one straight slope from foot to ridge. */
const bends = (form: string) => ['dome', 'arch', 'hoop', 'gambrel', 'own'].includes(form)

export const SHAPE_SUMS: readonly BookEntry[] = [
  {
    id: 'midwinter-angle',
    step: 'shape',
    title: 'Glazing angle for midwinter noon',
    evidence: 'proof',
    formula: () => '=IF(B1+B2>90,90,B1+B2)',
    of: midwinterAngle,
    year: ({ design }) => [
      { text: 'this house’s glazing', value: makeOutline(design.shape).glazingAngleDeg, quantity: 'angle' },
    ],
  },
  {
    id: 'cold-ray',
    step: 'shape',
    title: 'How far in the noon sun of the cold design day reaches',
    evidence: 'proof',
    formula: () => '=B3+B2/TAN(RADIANS(B1))',
    of: c => {
      const o = makeOutline(c.design.shape)
      const ray = coldRay(c)
      if (bends(c.design.shape.form) || ray < 1 || ray > 89) return null
      const section = { foot: { x: 0, z: o.kneeWallM }, top: { x: o.ridgeAtM, z: o.ridgeHeightM } }
      return rayInSection(section, ray, o.widthM)
    },
    year: ({ design }) => [{ text: 'width of this house', value: design.shape.widthM, quantity: 'length' }],
  },
  {
    id: 'knee-snow',
    step: 'shape',
    title: 'Snow that slides off the glazing',
    evidence: 'thin',
    formula: () => '=SQRT(2*B4*TAN(RADIANS(40)))',
    of: ({ site, design }) => {
      const snow = site.snowM.reduce((a, b) => Math.max(a, b), 0)
      if (snow <= 0 || design.shape.form === 'dome') return null
      return kneeWallSnow(makeOutline(design.shape).sunnySlopeM, snow)
    },
    year: ({ design }) => [{ text: 'knee wall of this house', value: design.shape.kneeWallM, quantity: 'length' }],
  },
]
