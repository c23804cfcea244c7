import type { Design } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { heatDay, type HeatDay } from '../../core/heat-view'
import { sunHours, type SunHours } from '../../core/optics/sun-hours'
import { cropYear, type CropYear } from '../../core/crops/weeks'
import { briefOf, type Brief } from '../../core/study/brief'
import { ranAs, type RunAs } from '../../core/study/ran-as'
import { flowsOf, type WeekFlow } from '../../core/study/runs'
import {
  spellAnswer,
  usualSpell,
  usualStart,
  withSpellDays,
  type AskedSpell,
  type SpellAnswer,
} from '../../core/study/spell'
import { WINTERS_FOR, wintersOf } from '../../core/study/winters-ahead'
import type { YearEngine } from '../../core/year'
import { YEAR_EXPORTS } from '../../formats/year-exports'

/** What a worker does beside the score: studies, pictures of the heat, files. Loaded when it is first asked for. */
export function studyWork(engine: YearEngine) {
  const year = (design: Design) => engine.run(design, { unheated: false })
  return {
    /** A house in brief, run as it stands or otherwise: what it costs to build is its own in any case. */
    brief: (design: Design, as: RunAs): Brief => briefOf(design, year(ranAs(design, as)).answers),
    /** A house's year as its crops have it. */
    cropYear: (design: Design): CropYear => cropYear(design, year(design)),
    /** A spell as hard as winters of a design's climate know it: twenty of them, or those that were measured. */
    usualSpell: (design: Design) => usualSpell(wintersOf(design, WINTERS_FOR.usual).map(w => engine.site(w.design))),
    /** A design in a spell of its own; without a first day it ends in the middle of the coldest month. */
    spell(given: Design, asked: AskedSpell, as: RunAs): SpellAnswer {
      const design = ranAs(given, as)
      const days = asked.dullDays + asked.clearDays
      const startDay = asked.startDay ?? usualStart(engine.site(design).dryBulbC, days)
      const spell = { ...asked, startDay }
      return spellAnswer(design, year(withSpellDays(design, spell)), spell)
    },
    /** The year as a file, in one of its formats. */
    file(design: Design, id: string): Promise<string | Uint8Array> {
      const format = YEAR_EXPORTS.find(f => f.id === id)!
      return format.write({ design, result: year(design) })
    },
    /** Flows of some hours on end. */
    flows: (design: Design, first: number, hours: number): WeekFlow[] => flowsOf(year(design).series, first, hours),
    heat: (design: Design, day: number): HeatDay => heatDay(design, engine.site(design), day),
    sunHours: (design: Design): SunHours[] => sunHours(design, makeBuilding(design), engine.site(design)),
  }
}

export type StudyWork = ReturnType<typeof studyWork>
