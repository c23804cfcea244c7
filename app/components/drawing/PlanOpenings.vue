<script setup lang="ts">
import { laidLeaves } from '../../../core/geometry/leaves'
import { outwardOf, type PartPlane } from '../../../core/geometry/part-planes'
import { along, type Vec } from '../../../core/geometry/vec'
import { openingKind, openingName } from '../../../core/openings/registry'
import type { PlanScale } from '~/composables/usePlanScale'

/** What stands in upright walls as it is from above: doors with their swing, panes, vents; and the lobby. */
const props = defineProps<{ scale: PlanScale }>()
const bench = useDesign()
const drawing = useDrawing()
const at = (p: Vec) => ({ x: props.scale.px(p[1]), y: props.scale.py(p[0]) })
const UPRIGHT = 0.98

const letIn = computed(() =>
  laidLeaves(bench.current, props.scale.outline.value).flatMap(({ index, planes: [plane], rect }, k) => {
    if (plane!.up[2] < UPRIGHT) return []
    const { openings } = bench.current.skin
    const o = openings[index]!
    const kind = openingKind(o)
    const door = kind.traffic(o) !== null
    const on = (u: number, out = 0) => at(along(plane!.origin, u, plane!.across, out, outwardOf(plane as PartPlane)))
    const [a, b, leaf] = [on(rect.u0), on(rect.u1), on(rect.u0, rect.u1 - rect.u0)]
    const wide = Math.hypot(b.x - a.x, b.y - a.y)
    const turns = (leaf.x - a.x) * (b.y - a.y) - (leaf.y - a.y) * (b.x - a.x) > 0 ? 1 : 0
    return [
      {
        key: `${index}-${k}`,
        index,
        a,
        b,
        glass: kind.leaf(o)?.made === 'glazed',
        name: openingName(openings, index),
        swing: door ? `M${a.x} ${a.y} L${leaf.x} ${leaf.y} A${wide} ${wide} 0 0 ${turns} ${b.x} ${b.y}` : null,
      },
    ]
  }),
)
const lobby = computed(() => {
  const corners = props.scale.lobby.value?.corners.map(at)
  if (!corners) return null
  const middle = (of: 'x' | 'y') => corners.reduce((sum, p) => sum + p[of], 0) / corners.length
  return {
    points: corners.map(p => `${p.x},${p.y}`).join(' '),
    x: middle('x'),
    y: Math.min(...corners.map(p => p.y)) - 5,
  }
})
</script>

<template>
  <g v-if="lobby">
    <polygon :points="lobby.points" fill="var(--paper)" stroke="var(--ink)" stroke-width="2" data-test="lobby" />
    <text :x="lobby.x" :y="lobby.y" text-anchor="middle" class="note">entry lobby</text>
  </g>
  <slot />
  <g
    v-for="d in letIn"
    :key="d.key"
    class="cursor-pointer"
    :data-test="`plan-opening-${d.key}`"
    @click="drawing.press({ kind: 'opening', index: d.index })"
  >
    <title>{{ d.name }}: press it for its card</title>
    <path
      v-if="d.swing"
      :d="d.swing"
      fill="transparent"
      stroke="var(--ink)"
      stroke-width="1.4"
      stroke-dasharray="4 3"
    />
    <line
      :x1="d.a.x"
      :y1="d.a.y"
      :x2="d.b.x"
      :y2="d.b.y"
      :stroke="d.glass ? 'var(--glass)' : 'var(--paper)'"
      :stroke-width="d.glass ? 6 : 5"
    />
  </g>
</template>

<style scoped src="~/assets/plan.css"></style>
