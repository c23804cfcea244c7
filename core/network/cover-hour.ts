import { outsideFilm, radiativeFilm } from '../air/films'
import { EMISSIVITY } from './chains'
import type { Memory } from './memory'
import type { ByGain, NetworkModel } from './model'
import { AIR, BED_LIGHT, GLOBAL, OUT, ROW_DRAWN, ROW_LOW, ROW_OUT_LOW, ROW_TIE, SKY, WET, WIND } from './room'

const { max, min } = Math

/** Light reflected by condensation on the glass, at most. */
const DROPS = 0.08
/**
 * Glass is wet all over with so much on it, kg/m²; drops then cover so much of it, and longwave does not pass water.
 * Pieters, Deltour & Debruyckere 1997.
 */
const WETS = 0.03
const DROPS_COVER = 0.6
/** Row cover: open and drawn ties of the space under it, W/m²K. */
const ROW_OPEN = 25
const ROW_CLOSED = 4.5
/** Of the sky, what panes see, most of them; of light, the share that warms the room at once. */
const PANES_SEE = 0.75
const WARMS = 0.6
/** It is dark to who lays a row cover, W/m². */
const DARK_WM2 = 30

/** Covers of an hour: those over the panes, and that over the rows. */
export function makeCoverHour(memory: Memory) {
  const { v, light, covered, stuck, coverWet, onPanes } = memory
  const bedLight = memory.hoursByCover()
  const drawn = memory.hoursByCover()
  let m!: NetworkModel
  let glassArea = 0
  /** Of longwave that would pass a dry sheet, what passes this one. */
  let longwaveDry = 1

  function lay(model: NetworkModel): void {
    m = model
    glassArea = 0
    for (let c = 0; c < m.count; c++) if (m.glazed[c] === 1) glassArea += m.area[c]!
    bedLight.set(m.bedLight)
    drawn.set(m.drawn)
  }

  /**
   * While somebody is there it lies on cold beds in the dark. Who leaves lays it where the room would fall below its
   * limit before the next one comes, as far under the air outside as it last did; in between it stays as it was left.
   */
  function coverRows(h: number): void {
    const { areaM2, belowC, there, awayLowC } = m.rowCover
    v[ROW_LOW] = min(v[ROW_LOW]!, v[AIR]!)
    v[ROW_OUT_LOW] = min(v[ROW_OUT_LOW]!, v[OUT]!)
    if (areaM2 > 0 && there[h] === 1) {
      const stays = there[h + 1 < there.length ? h + 1 : 0] === 1
      const coming = v[ROW_LOW]! + awayLowC[h]! - v[ROW_OUT_LOW]!
      v[ROW_DRAWN] = (stays ? v[GLOBAL]! < DARK_WM2 && v[AIR]! < belowC : coming < belowC) ? 1 : 0
      if (!stays) {
        v[ROW_LOW] = v[AIR]!
        v[ROW_OUT_LOW] = v[OUT]!
      }
    }
    v[ROW_TIE] = areaM2 * (v[ROW_DRAWN] === 1 ? ROW_CLOSED : ROW_OPEN)
  }

  /**
   * Drawn while it keeps more in than the light is worth, by the air as the hour begins; where it can be moved. Panes
   * lose to the sky as well as to the air, and not all light warms the room: leaves spend a good part on vapour.
   */
  function byGain({ lightW, keepsWK, movable }: ByGain, stands: number, may: number, h: number): number {
    if (may === 0) return 0
    if (movable[h] === 0) return stands
    const toSky = radiativeFilm((v[OUT]! + v[SKY]!) / 2, EMISSIVITY) * PANES_SEE
    const toAir = outsideFilm(v[WIND]!)
    const beyond = (toSky * v[SKY]! + toAir * v[OUT]!) / (toSky + toAir)
    return keepsWK * (v[AIR]! - beyond) > WARMS * lightW[h]! ? may : 0
  }

  /**
   * Covers as they are drawn, and what light gets past each and the wet glass. What falls on the beds is left in
   * `BED_LIGHT`, W/m².
   */
  function coverPanes(h: number): void {
    const { covers } = m
    const wet = min(1, v[WET]! / (1e-9 + WETS * glassArea))
    const dry = 1 - DROPS * wet
    longwaveDry = 1 - DROPS_COVER * wet
    let onBeds = 0
    for (let k = 0; k < covers; k++) {
      const may = drawn[h * covers + k]!
      const gain = m.byGain[k]
      const stood = covered[k]!
      const goes = gain ? byGain(gain, stood, may, h) : may
      const iced = m.iced[k]
      // What is frozen to the panes stays on them; what is rolled up is drawn all the same.
      covered[k] = iced && iced.fast[h] === 1 ? max(stood, goes) : goes
      stuck[k] = covered[k]! - goes
      coverWet[k] = iced ? iced.wet[h]! : 0
      const past = 1 - covered[k]! * (1 - m.coverLeak[k]!)
      light[k] = past * dry
      onPanes[k] = m.coverOutside[k] === 1 ? past : 1
      onBeds += bedLight[h * covers + k]! * light[k]!
    }
    v[BED_LIGHT] = onBeds
  }

  return {
    lay,
    coverPanes,
    coverRows,
    /** Of longwave that would pass a dry sheet, what passes this one. */
    longwaveDry: () => longwaveDry,
  }
}
