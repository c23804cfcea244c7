<script setup lang="ts">
import type { Design } from '../../../core/design'
import { openingDrawn, openingPlaced, openingsOnParts, alongPartOf, type OpeningOnPart } from '../../../core/editing'
import type { LaidLeaf } from '../../../core/geometry/leaves'
import { outwardOf } from '../../../core/geometry/part-planes'
import { along, type Vec } from '../../../core/geometry/vec'
import { openingKind } from '../../../core/openings/registry'
import type { PlanScale } from '~/composables/usePlanScale'

/**
 * What is let into the skin as it is from above, to be moved along its part and drawn out: doors with their swing,
 * panes, vents; what lies in a slope by its outline; and the lobby.
 */
const props = defineProps<{ scale: PlanScale }>()
const bench = useDesign()
const settings = useSettings()
const drawing = useDrawing()
const { north, ppm } = props.scale
const at = (p: Vec) => ({ x: props.scale.px(p[1]), y: props.scale.py(p[0]) })
const UPRIGHT = 0.98
/** Right on the plan is east in the north, and west in the south. */
const hand = computed(() => (north.value ? 1 : -1))

/** A leaf in an upright wall, as a line with its swing; one in a slope by the corners of what is under it. */
function drawn({ planes, rect }: LaidLeaf, door: boolean) {
  const plane = planes[0]!
  const on = (u: number, v = rect.v0) => along(plane.origin, u, plane.across, v - plane.from, plane.up)
  if (plane.up[2] < UPRIGHT) {
    const corners = [on(rect.u0), on(rect.u1), on(rect.u1, rect.v1), on(rect.u0, rect.v1)].map(at)
    return { points: corners.map(c => `${c.x.toFixed(1)},${c.y.toFixed(1)}`).join(' '), a: null, b: null, swing: null }
  }
  const foot = (u: number, out = 0) => at(along(plane.origin, u, plane.across, out, outwardOf(plane)))
  const [a, b, leaf] = [foot(rect.u0), foot(rect.u1), foot(rect.u0, rect.u1 - rect.u0)]
  const wide = Math.hypot(b.x - a.x, b.y - a.y)
  const turns = (leaf.x - a.x) * (b.y - a.y) - (leaf.y - a.y) * (b.x - a.x) > 0 ? 1 : 0
  const swing = door ? `M${a.x} ${a.y} L${leaf.x} ${leaf.y} A${wide} ${wide} 0 0 ${turns} ${b.x} ${b.y}` : null
  return { points: null, a, b, swing }
}
const shown = computed(() =>
  openingsOnParts(bench.current).map(t => {
    const o = bench.current.skin.openings[t.index]!
    const kind = openingKind(o)
    const [first, last] = [t.leaves[0]!, t.leaves.at(-1)!]
    const middle = (leaf: LaidLeaf, u: number) => {
      const [plane] = leaf.planes
      return at(along(plane!.origin, u, plane!.across, (leaf.rect.v0 + leaf.rect.v1) / 2 - plane!.from, plane!.up))
    }
    return {
      t,
      glass: kind.leaf(o)?.made === 'glazed',
      leaves: t.leaves.map(leaf => drawn(leaf, kind.traffic(o) !== null)),
      ends: t.stretches
        ? ([
            { end: -1, ...middle(first, first.rect.u0) },
            { end: 1, ...middle(last, last.rect.u1) },
          ] as const)
        : [],
    }
  }),
)
/** So far along its part, m, for a way on the plan: m to the right and up. */
const alongPart = (design: Design, t: OpeningOnPart, right: number, up: number): number =>
  alongPartOf(design, t, up, hand.value * right)
const byWay = (edit: (design: Design, t: OpeningOnPart, way: number) => ReturnType<typeof openingPlaced>) =>
  useThingDrag<OpeningOnPart>(
    (design, t, right, up) => edit(design, t, alongPart(design, t, right / ppm.value, up / ppm.value)),
    (design, t, right, up, far) => {
      // In a dome a door goes from facet to facet.
      const wide = t.leaves[0]!.planes[0]!.facet ? 2 * t.leaves[0]!.planes[0]!.halfM[0] : far ? 0.5 : 0.1
      return edit(design, t, Math.sign(alongPart(design, t, right, up)) * wide)
    },
  )
const drag = byWay((design, t, way) => openingPlaced(design, t.index, t.offsetM + way))
const byEnd = {
  [-1]: byWay((design, t, way) => openingDrawn(design, t.index, -way, -1)),
  [1]: byWay((design, t, way) => openingDrawn(design, t.index, way, 1)),
}
const isPressed = (t: OpeningOnPart) => drawing.pressed?.kind === 'opening' && drawing.pressed.index === t.index
const words = (t: OpeningOnPart) =>
  `${settings.show(t.wideM, 'length')} wide, ${settings.show(Math.abs(t.offsetM), 'length')} off the middle`

const lobby = computed(() => {
  const corners = props.scale.lobby.value?.corners.map(at)
  if (!corners) return null
  const middle = (of: 'x' | 'y') => corners.reduce((sum, p) => sum + p[of], 0) / corners.length
  const [, , far, end] = corners as [
    { x: number; y: number },
    unknown,
    { x: number; y: number },
    { x: number; y: number },
  ]
  return {
    points: corners.map(p => `${p.x},${p.y}`).join(' '),
    x: middle('x'),
    y: Math.min(...corners.map(p => p.y)) - 5,
    knob: { x: (far.x + end.x) / 2, y: (far.y + end.y) / 2 },
  }
})
/** The lobby drawn out from its house: as wide as it is, so much longer. */
const LOBBY = { id: 'lobby', kind: 'lobby', index: 0 }
function lobbyDrawn(design: Design, right: number, up: number): ReturnType<typeof openingPlaced> {
  const corners = props.scale.lobby.value?.corners
  if (!corners) return []
  const [a, b, c] = corners
  const long = Math.hypot(c[0] - b[0], c[1] - b[1])
  const wide = Math.hypot(b[0] - a[0], b[1] - a[1])
  const out = (up * (c[0] - b[0]) + hand.value * right * (c[1] - b[1])) / long
  const areaM2 = Math.round(wide * Math.max(0.6, long + out) * 10) / 10
  return [['breathe.lobby.areaM2', Math.min(40, areaM2)]]
}
const lobbyDrag = useThingDrag<typeof LOBBY>(
  (design, _, right, up) => lobbyDrawn(design, right / ppm.value, up / ppm.value),
  (design, _, right, up, far) => lobbyDrawn(design, right * (far ? 0.5 : 0.1), up * (far ? 0.5 : 0.1)),
)
</script>

<template>
  <g v-if="lobby" class="thing">
    <polygon :points="lobby.points" fill="var(--paper)" stroke="var(--ink)" stroke-width="2" data-test="lobby" />
    <text :x="lobby.x" :y="lobby.y" text-anchor="middle" class="note">entry lobby</text>
    <circle
      :cx="lobby.knob.x"
      :cy="lobby.knob.y"
      r="7"
      class="knob grip"
      role="slider"
      tabindex="0"
      aria-label="Entry lobby, its outer side: drag or use the arrow keys"
      :aria-valuenow="bench.current.breathe.lobby.areaM2"
      :aria-valuetext="settings.show(bench.current.breathe.lobby.areaM2, 'area')"
      data-test="plan-lobby"
      @pointerdown="lobbyDrag.down(LOBBY, $event)"
      @pointermove="lobbyDrag.moved(LOBBY, $event)"
      @pointerup="lobbyDrag.up"
      @pointercancel="lobbyDrag.up"
      @keydown="lobbyDrag.key(LOBBY, $event)"
    />
  </g>
  <slot />
  <g v-for="{ t, glass, leaves, ends } in shown" :key="t.id" class="thing" :class="{ on: isPressed(t) }">
    <g
      class="grip"
      role="slider"
      tabindex="0"
      :aria-label="`${t.name}, drag or use the arrow keys`"
      :aria-valuenow="Math.round(t.offsetM * 100)"
      :aria-valuetext="words(t)"
      :data-test="`plan-${t.id}`"
      @pointerdown="drag.down(t, $event)"
      @pointermove="drag.moved(t, $event)"
      @pointerup="drag.up"
      @pointercancel="drag.up"
      @keydown="drag.key(t, $event)"
    >
      <title>{{ t.name }}: {{ words(t) }}</title>
      <template v-for="(d, k) in leaves" :key="k">
        <path
          v-if="d.swing"
          :d="d.swing"
          fill="transparent"
          stroke="var(--ink)"
          stroke-width="1.4"
          stroke-dasharray="4 3"
        />
        <polygon
          v-if="d.points"
          :points="d.points"
          class="body"
          fill="transparent"
          stroke-dasharray="5 3"
          stroke-opacity="0.5"
          pointer-events="stroke"
          :data-test="`plan-opening-${t.index}-${k}`"
        />
        <template v-else>
          <line :x1="d.a!.x" :y1="d.a!.y" :x2="d.b!.x" :y2="d.b!.y" stroke="transparent" stroke-width="16" />
          <line
            :x1="d.a!.x"
            :y1="d.a!.y"
            :x2="d.b!.x"
            :y2="d.b!.y"
            :stroke="glass ? 'var(--glass)' : 'var(--paper)'"
            :stroke-width="glass ? 6 : 5"
            :data-test="`plan-opening-${t.index}-${k}`"
          />
        </template>
      </template>
    </g>
    <circle
      v-for="e in ends"
      :key="e.end"
      :cx="e.x"
      :cy="e.y"
      r="6"
      class="knob grip"
      role="slider"
      tabindex="0"
      :aria-label="`${t.name}, one end of it: drag or use the arrow keys`"
      :aria-valuenow="Math.round(t.wideM * 100)"
      :aria-valuetext="words(t)"
      :data-test="`plan-${t.id}-${e.end < 0 ? 'first' : 'last'}`"
      @pointerdown="byEnd[e.end].down(t, $event)"
      @pointermove="byEnd[e.end].moved(t, $event)"
      @pointerup="byEnd[e.end].up"
      @pointercancel="byEnd[e.end].up"
      @keydown="byEnd[e.end].key(t, $event)"
    />
  </g>
</template>

<style scoped src="~/assets/plan.css"></style>
