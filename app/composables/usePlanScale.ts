import type { Ref } from 'vue'
import { lobbyOf } from '../../core/geometry/lobby'
import { makeOutline } from '../../core/geometry/section'
import { makeBuilding } from '../../core/geometry/surfaces'

/**
 * The floor from above at a scale that fits its frame: sunny side below, along the ridge to the right. In the south the
 * west end stands on the right: one always looks in over the sunny wall.
 * @param width of the frame, px
 */
export function usePlanScale(width: Ref<number>, height: Ref<number>) {
  const bench = useDesign()
  const shape = computed(() => bench.current.shape)
  const outline = computed(() => makeOutline(shape.value))
  const building = computed(() => makeBuilding(bench.current))
  const lobby = computed(() => lobbyOf(bench.current))
  const north = computed(() => bench.current.site.latitudeDeg >= 0)
  /** While a wall is drawn the scale is held. */
  const held = ref<number | null>(null)
  /** How far the lobby stands out over the house: beyond its west and its east end, and its back wall, m. */
  const beyond = computed(() => {
    const corners = lobby.value?.corners ?? []
    const over = (axis: 0 | 1, most: number) => Math.max(0, ...corners.map(p => p[axis] - most))
    const under = (axis: 0 | 1) => Math.max(0, ...corners.map(p => -p[axis]))
    return { west: under(1), east: over(1, shape.value.lengthM), sunny: under(0), pole: over(0, outline.value.widthM) }
  })
  const wideM = computed(() => shape.value.lengthM + beyond.value.west + beyond.value.east)
  const deepM = computed(() => outline.value.widthM + beyond.value.sunny + beyond.value.pole)
  const ppm = computed(
    () => held.value ?? Math.max(6, Math.min((width.value - 190) / wideM.value, (height.value - 128) / deepM.value)),
  )
  const left = computed(() => {
    const before = north.value ? beyond.value.west : beyond.value.east
    return (width.value - wideM.value * ppm.value) / 2 + before * ppm.value
  })
  const foot = computed(() => (height.value + (deepM.value - 2 * beyond.value.sunny) * ppm.value) / 2 - 4)
  const px = (y: number) => left.value + (north.value ? y : shape.value.lengthM - y) * ppm.value
  const py = (x: number) => foot.value - x * ppm.value
  return { shape, outline, building, lobby, north, held, ppm, px, py }
}
export type PlanScale = ReturnType<typeof usePlanScale>
