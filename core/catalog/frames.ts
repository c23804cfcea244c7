import type { Glazing } from './glazings'

/** Share of an opening that bars, struts and joints take, by form: growers' and builders' handbooks, 3–20 %. */
const BY_FORM: Readonly<Record<string, number>> = { dome: 0.15, hoop: 0.04, arch: 0.06 }
const OTHERWISE = 0.08
/** Glass comes in narrow panes and wants more bars; sheets this heavy are glass, kg/m². */
const HEAVY = 8
const BARS_OF_GLASS = 0.03

/** What bars and frame usually take of the light, 0–1. */
export const usualFrameShare = (form: string, glazing: Pick<Glazing, 'weightKgM2'>): number =>
  (BY_FORM[form] ?? OTHERWISE) + (glazing.weightKgM2 >= HEAVY ? BARS_OF_GLASS : 0)
