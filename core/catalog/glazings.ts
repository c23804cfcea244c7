/** A glazing as sold. Optical values are for the clean new sheet at normal incidence. */
export interface Glazing {
  id: string
  name: string
  /** Clear sheets follow Fresnel; diffusing ones fall off from `transmittance` as as many clear layers and webs do. */
  optics:
    | {
        kind: 'clear'
        refractiveIndex: number
        /** Extinction coefficient × thickness of one sheet. */
        kl: number
        sheets: number
      }
    | {
        kind: 'diffusing'
        refractiveIndex: number
        /** Normal, solar, 0–1. */
        transmittance: number
        absorptance: number
        /** Depth of the whole sheet over the pitch of the webs across it; 0 without webs. */
        webs: number
      }
  /** In sheets that are cut, in panes made to order, or off a roll. */
  sold: 'sheets' | 'panes' | 'roll'
  /** One face bears the sun, and is marked: it goes outside. */
  uvFace: boolean
  /** Sheets or walls one behind the other. */
  layers: number
  /** Share of the transmitted beam that leaves more than 2.5° off its way, 0–1 (ASTM D1003). */
  haze: number
  /** Mean cosine of one scattering, where it is not that of webs and film. */
  forward?: number
  /** Centre U-value with standard films (inside 0.13, outside 0.04 m²K/W), W/m²K. */
  uValue: number
  /** Of sheets that a blower keeps apart: the same where none does, and they lie on each other. */
  limpUValue?: number
  /** Share of room-temperature longwave that passes straight through, 0–1. */
  longwaveTransmittance: number
  /** Width of one gap between sheets, m; 0 without a gap. */
  gapM: number
  /** Share of its light that a year of weather takes, 0–1. */
  ageingPerYear: number
  /** Sheet with bars and fixings, money per m²: a rough builder's price to compare by. */
  pricePerM2: number
  weightKgM2: number
  /** Years until it is usually replaced. */
  lifeYears: number
  source: string
}

/** A glazing as it hangs with no blower: sheet on sheet. */
export const limpFilm = <G extends Pick<Glazing, 'limpUValue' | 'uValue' | 'gapM'>>(glazing: G): G =>
  glazing.limpUValue === undefined ? glazing : { ...glazing, uValue: glazing.limpUValue, gapM: 0 }

/** Whether a glazing is film that a blower keeps apart. */
export const isBlown = (id: string): boolean => GLAZINGS.some(g => g.id === id && g.limpUValue !== undefined)

/** Refractive indices in sunlight. */
const GLASS = 1.526
const POLYCARBONATE = 1.586
const ACRYLIC = 1.49
const POLYETHYLENE = 1.515
const POLYESTER = 1.54

export const GLAZINGS: readonly Glazing[] = [
  {
    id: 'glass-1',
    sold: 'panes',
    uvFace: false,
    layers: 1,
    name: 'Single glass, 4 mm',
    optics: { kind: 'clear', refractiveIndex: GLASS, kl: 0.04, sheets: 1 },
    haze: 0,
    uValue: 5.8,
    longwaveTransmittance: 0,
    gapM: 0,
    ageingPerYear: 0,
    pricePerM2: 45,
    weightKgM2: 10,
    lifeYears: 40,
    source: 'EN 673 typical; Duffie & Beckman ch. 5',
  },
  {
    id: 'glass-2',
    sold: 'panes',
    uvFace: false,
    layers: 2,
    name: 'Double glass, air gap',
    optics: { kind: 'clear', refractiveIndex: GLASS, kl: 0.04, sheets: 2 },
    haze: 0,
    uValue: 2.8,
    longwaveTransmittance: 0,
    gapM: 0.016,
    ageingPerYear: 0,
    pricePerM2: 95,
    weightKgM2: 20,
    lifeYears: 25,
    source: 'EN 673 typical, 16 mm air',
  },
  {
    id: 'glass-3',
    sold: 'panes',
    uvFace: false,
    layers: 3,
    name: 'Triple glass, air gaps',
    optics: { kind: 'clear', refractiveIndex: GLASS, kl: 0.04, sheets: 3 },
    haze: 0,
    uValue: 1.9,
    longwaveTransmittance: 0,
    gapM: 0.012,
    ageingPerYear: 0,
    pricePerM2: 150,
    weightKgM2: 30,
    lifeYears: 25,
    source: 'EN 673 typical, 2 × 12 mm air',
  },
  {
    id: 'twinwall-6',
    sold: 'sheets',
    uvFace: true,
    layers: 2,
    name: 'Twin-wall polycarbonate, 6 mm',
    optics: { kind: 'diffusing', refractiveIndex: POLYCARBONATE, transmittance: 0.8, absorptance: 0.06, webs: 1 },
    haze: 0.5,
    uValue: 3.6,
    longwaveTransmittance: 0.02,
    gapM: 0.0055,
    ageingPerYear: 0.008,
    pricePerM2: 28,
    weightKgM2: 1.3,
    lifeYears: 12,
    source: 'sheet makers’ typical range',
  },
  {
    id: 'twinwall-10',
    sold: 'sheets',
    uvFace: true,
    layers: 2,
    name: 'Twin-wall polycarbonate, 10 mm',
    optics: { kind: 'diffusing', refractiveIndex: POLYCARBONATE, transmittance: 0.78, absorptance: 0.07, webs: 0.95 },
    haze: 0.5,
    uValue: 3.0,
    longwaveTransmittance: 0.02,
    gapM: 0.009,
    ageingPerYear: 0.008,
    pricePerM2: 34,
    weightKgM2: 1.7,
    lifeYears: 12,
    source: 'sheet makers’ typical range',
  },
  {
    id: 'multiwall-16',
    sold: 'sheets',
    uvFace: true,
    layers: 3,
    name: 'Multiwall polycarbonate, 16 mm',
    optics: { kind: 'diffusing', refractiveIndex: POLYCARBONATE, transmittance: 0.69, absorptance: 0.1, webs: 0.8 },
    haze: 0.7,
    uValue: 2.1,
    longwaveTransmittance: 0.01,
    gapM: 0.0075,
    ageingPerYear: 0.008,
    pricePerM2: 48,
    weightKgM2: 2.7,
    lifeYears: 15,
    source: 'sheet makers’ typical range',
  },
  {
    id: 'multiwall-25',
    sold: 'sheets',
    uvFace: true,
    layers: 5,
    name: 'Multiwall polycarbonate, 25 mm',
    optics: { kind: 'diffusing', refractiveIndex: POLYCARBONATE, transmittance: 0.6, absorptance: 0.13, webs: 1.25 },
    haze: 0.8,
    uValue: 1.6,
    longwaveTransmittance: 0.01,
    gapM: 0.006,
    ageingPerYear: 0.008,
    pricePerM2: 62,
    weightKgM2: 3.4,
    lifeYears: 15,
    source: 'sheet makers’ typical range',
  },
  {
    id: 'acrylic-16',
    sold: 'sheets',
    uvFace: false,
    layers: 2,
    name: 'Twin-wall acrylic, 16 mm',
    optics: { kind: 'diffusing', refractiveIndex: ACRYLIC, transmittance: 0.85, absorptance: 0.04, webs: 0.5 },
    haze: 0.2,
    uValue: 2.5,
    longwaveTransmittance: 0.01,
    gapM: 0.0145,
    ageingPerYear: 0.003,
    pricePerM2: 75,
    weightKgM2: 5,
    lifeYears: 25,
    source: 'sheet makers’ typical range',
  },
  {
    id: 'film-1',
    sold: 'roll',
    uvFace: false,
    layers: 1,
    name: 'Polyethylene film, single',
    optics: { kind: 'diffusing', refractiveIndex: POLYETHYLENE, transmittance: 0.87, absorptance: 0.04, webs: 0 },
    haze: 0.3,
    uValue: 6,
    longwaveTransmittance: 0.35,
    gapM: 0,
    ageingPerYear: 0.03,
    pricePerM2: 5,
    weightKgM2: 0.19,
    lifeYears: 4,
    source: 'ASABE EP406; film makers’ typical range',
  },
  {
    id: 'film-2',
    sold: 'roll',
    uvFace: false,
    layers: 2,
    name: 'Polyethylene film, double, inflated',
    optics: { kind: 'diffusing', refractiveIndex: POLYETHYLENE, transmittance: 0.77, absorptance: 0.07, webs: 0 },
    haze: 0.45,
    uValue: 4,
    // They touch over about half of it: between one sheet and two.
    limpUValue: 5,
    longwaveTransmittance: 0.2,
    gapM: 0.08,
    ageingPerYear: 0.03,
    pricePerM2: 9,
    weightKgM2: 0.38,
    lifeYears: 4,
    source: 'ASABE EP406; film makers’ typical range',
  },
  {
    id: 'glass-4',
    sold: 'panes',
    uvFace: false,
    layers: 4,
    name: 'Quadruple glass, air gaps',
    optics: { kind: 'clear', refractiveIndex: GLASS, kl: 0.04, sheets: 4 },
    haze: 0,
    uValue: 1.45,
    longwaveTransmittance: 0,
    gapM: 0.012,
    ageingPerYear: 0,
    pricePerM2: 210,
    weightKgM2: 40,
    lifeYears: 25,
    source: 'EN 673 typical, 3 × 12 mm air',
  },
  {
    id: 'glass-film',
    sold: 'panes',
    uvFace: false,
    layers: 2,
    name: 'Glass with a film inside, wide gap',
    optics: { kind: 'diffusing', refractiveIndex: GLASS, transmittance: 0.75, absorptance: 0.07, webs: 0 },
    haze: 0.3,
    uValue: 3.1,
    longwaveTransmittance: 0.02,
    gapM: 0.05,
    ageingPerYear: 0.015,
    pricePerM2: 58,
    weightKgM2: 10.2,
    lifeYears: 10,
    source: 'glass and film in series; EN 673 with 50 mm of air',
  },
  {
    id: 'film-3',
    sold: 'roll',
    uvFace: false,
    layers: 3,
    name: 'Polyethylene film, three with air',
    optics: { kind: 'diffusing', refractiveIndex: POLYETHYLENE, transmittance: 0.69, absorptance: 0.1, webs: 0 },
    haze: 0.55,
    uValue: 2.9,
    longwaveTransmittance: 0.1,
    gapM: 0.08,
    ageingPerYear: 0.03,
    pricePerM2: 13,
    weightKgM2: 0.57,
    lifeYears: 4,
    source: 'ASABE EP406 carried to a third film',
  },
  {
    id: 'multiwall-32',
    sold: 'sheets',
    uvFace: true,
    layers: 5,
    name: 'Multiwall polycarbonate, 32 mm',
    optics: { kind: 'diffusing', refractiveIndex: POLYCARBONATE, transmittance: 0.56, absorptance: 0.15, webs: 1.6 },
    haze: 0.85,
    uValue: 1.3,
    longwaveTransmittance: 0.01,
    gapM: 0.0075,
    ageingPerYear: 0.008,
    pricePerM2: 74,
    weightKgM2: 3.8,
    lifeYears: 15,
    source: 'sheet makers’ typical range',
  },
  {
    id: 'fibreglass',
    sold: 'sheets',
    uvFace: true,
    layers: 1,
    name: 'Corrugated fibreglass',
    optics: { kind: 'diffusing', refractiveIndex: POLYESTER, transmittance: 0.82, absorptance: 0.07, webs: 0 },
    haze: 0.7,
    // Fibres of nearly its own refraction, in all directions of the sheet.
    forward: 0.6,
    uValue: 5.6,
    longwaveTransmittance: 0.03,
    gapM: 0,
    ageingPerYear: 0.015,
    pricePerM2: 24,
    weightKgM2: 1.8,
    lifeYears: 10,
    source: 'sheet makers’ typical range',
  },
]
