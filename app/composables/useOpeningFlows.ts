import { computed } from 'vue'
import { openingFlows } from '../../core/air/opening-flows'
import { makeBuilding } from '../../core/geometry/surfaces'
import { makeAirways } from '../../core/network/airways'
import { useDesign } from '../stores/design'
import { useYear } from '../stores/year'

const NO_YEAR = new Float32Array(8760)

/** What goes through each opening in the hour that the drawing shows; in the hottest, where it shows none. */
export function useOpeningFlows() {
  const bench = useDesign()
  const year = useYear()
  const openings = computed(() => bench.current.skin.openings)
  const airways = computed(() =>
    makeAirways(bench.current, makeBuilding(bench.current), year.view?.hours.outsideC ?? NO_YEAR),
  )
  const hour = computed(() =>
    year.day === null ? (year.view?.answers.hottestAfternoon.hour ?? 0) : year.day * 24 + year.hour,
  )
  const inHour = computed(() => {
    const v = year.view
    // A year that is being worked out may be of another list.
    if (!v || v.openShare.length !== openings.value.length) return null
    const at = hour.value
    const share = v.openShare.map(o => o[at]!)
    const [inside, outside, wind] = [v.hours.airC[at]!, v.hours.outsideC[at]!, v.hours.windMs[at]!]
    return { inside, outside, wind, share, flows: openingFlows(airways.value, share, inside, outside, wind) }
  })
  return { openings, airways, hour, inHour }
}
