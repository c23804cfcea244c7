<script setup lang="ts">
import { entry, GLAZINGS } from '../../../core/catalog'
import type { Design, Layer } from '../../../core/design'
import type { Outline, Point } from '../../../core/geometry/section'
import type { SectionScale } from '~/composables/useSectionScale'

const props = defineProps<{ design: Design, outline: Outline, scale: SectionScale }>()

const thickness = (layers: readonly Layer[]) => Math.max(0.04, layers.reduce((s, l) => s + l.thicknessM, 0))
const points = (list: readonly Point[]) => list.map(p => `${props.scale.x(p.x).toFixed(1)},${props.scale.y(p.z).toFixed(1)}`).join(' ')

const parts = computed(() => {
  const o = props.outline
  const wall = thickness(props.design.skin.wall)
  const roof = thickness(props.design.skin.roof)
  const solidRoof = props.design.skin.poleSlope === 'solid'
  const lining = props.design.store.massWall.thicknessM
  const out: { id: string, d: string, fill: string }[] = []
  const quad = (id: string, fill: string, ...list: Point[]) => out.push({ id, fill, d: points(list) })
  if (o.kneeWallM > 0) quad('knee', 'var(--wall)', { x: 0, z: 0 }, { x: 0, z: o.kneeWallM }, { x: -wall, z: o.kneeWallM }, { x: -wall, z: 0 })
  const top = o.backWallM
  quad('back', 'var(--wall)', { x: o.widthM + lining, z: 0 }, { x: o.widthM + lining, z: top }, { x: o.widthM + lining + wall, z: top }, { x: o.widthM + lining + wall, z: 0 })
  if (lining > 0) quad('mass', 'var(--masonry)', { x: o.widthM, z: 0 }, { x: o.widthM, z: top }, { x: o.widthM + lining, z: top }, { x: o.widthM + lining, z: 0 })
  if (solidRoof && o.poleSlopeM > 0.05) {
    const dx = (o.widthM - o.ridgeAtM) / o.poleSlopeM
    const dz = (o.backWallM - o.ridgeHeightM) / o.poleSlopeM
    const over = lining + wall + 0.12
    const foot = { x: o.widthM + dx * over, z: o.backWallM + dz * over }
    quad('roof', 'var(--wall)', { x: o.ridgeAtM, z: o.ridgeHeightM }, foot, { x: foot.x - dz * roof, z: foot.z + dx * roof }, { x: o.ridgeAtM - dz * roof, z: o.ridgeHeightM + dx * roof })
  }
  return out
})

/** Courses of the mass wall, so that masonry reads as masonry. */
const courses = computed(() => {
  if (props.design.store.massWall.thicknessM <= 0) return []
  const rows: number[] = []
  for (let z = 0.2; z < props.outline.backWallM; z += 0.2) rows.push(z)
  return rows
})

const panes = computed(() => {
  const o = props.outline
  const out: { a: Point, b: Point, nx: number, nz: number }[] = []
  const add = (a: Point, b: Point) => {
    const l = Math.hypot(b.x - a.x, b.z - a.z)
    if (l > 0.01) out.push({ a, b, nx: -(b.z - a.z) / l, nz: (b.x - a.x) / l })
  }
  add({ x: 0, z: o.kneeWallM }, { x: o.ridgeAtM, z: o.ridgeHeightM })
  if (props.design.skin.poleSlope === 'glazed') add({ x: o.ridgeAtM, z: o.ridgeHeightM }, { x: o.widthM, z: o.backWallM })
  return out
})

/** Sheets of the glazing, drawn side by side from inside (thick, blue) outwards. */
const sheets = computed(() => entry(GLAZINGS, props.design.skin.glazing).layers)
const hasCover = computed(() => props.design.skin.cover.id !== 'none')
/** Angle arc at the glazing's foot. */
const arc = computed(() => {
  const { scale, outline } = props
  const r = Math.min(64, outline.ridgeAtM * scale.ppm * 0.5)
  const x = scale.x(0)
  const y = scale.y(outline.kneeWallM)
  const a = outline.glazingAngleDeg * Math.PI / 180
  return {
    path: `M ${x + r} ${y} A ${r} ${r} 0 0 0 ${x + r * Math.cos(a)} ${y - r * Math.sin(a)}`, x, y, r,
  }
})
/** Draughts at the joints: none when built with care, one as usual, three when gappy. */
const draughts = computed(() => {
  const o = props.outline
  const places = [{ x: 0, z: o.kneeWallM }, { x: o.widthM, z: o.backWallM }, { x: o.ridgeAtM, z: o.ridgeHeightM }]
  return places.slice(0, { tight: 0, usual: 1 }[props.design.breathe.leakage] ?? 3)
})
const vents = computed(() => {
  const v = props.design.breathe.vents
  const o = props.outline
  const out: { x: number, z: number, name: string, size: number }[] = []
  const size = (area: number) => Math.min(1.7, 0.6 + area / 10)
  if (v.lowM2 > 0 && o.kneeWallM >= 0.25) out.push({ x: 0, z: o.kneeWallM * 0.3, name: 'low vent', size: size(v.lowM2) })
  if (v.highM2 > 0) out.push({ x: o.ridgeAtM, z: o.ridgeHeightM, name: 'high vent', size: size(v.highM2) })
  return out
})
</script>

<template>
  <g>
    <polygon v-for="p in parts" :key="p.id" :points="p.d" :fill="p.fill" stroke="var(--ink)" stroke-width="1.5" stroke-linejoin="round" />
    <line
      v-for="z in courses" :key="z" :x1="scale.x(outline.widthM)" :x2="scale.x(outline.widthM + design.store.massWall.thicknessM)" :y1="scale.y(z)" :y2="scale.y(z)" stroke="var(--ink)"
      stroke-width="0.6" opacity="0.5"
    />
    <g v-for="(p, i) in panes" :key="i">
      <line
        :x1="scale.x(p.a.x)" :y1="scale.y(p.a.z)" :x2="scale.x(p.b.x)" :y2="scale.y(p.b.z)" stroke="var(--glass)" stroke-width="4"
      />
      <line
        v-for="k in sheets" :key="k" :x1="scale.x(p.a.x) + p.nx * (1 + 4 * k)" :y1="scale.y(p.a.z) - p.nz * (1 + 4 * k)" :x2="scale.x(p.b.x) + p.nx * (1 + 4 * k)" :y2="scale.y(p.b.z) - p.nz * (1 + 4 * k)"
        stroke="var(--ink)" :stroke-width="k === sheets ? 1.5 : 0.7"
      />
    </g>
    <g v-if="hasCover" data-test="cover-roll">
      <circle :cx="scale.x(outline.ridgeAtM) - 15" :cy="scale.y(outline.ridgeHeightM) + 19" r="8" fill="var(--paper)" stroke="var(--ink)" stroke-width="1.3" />
      <path :d="`M ${scale.x(outline.ridgeAtM) - 19} ${scale.y(outline.ridgeHeightM) + 19} a 4 4 0 1 1 4 4`" fill="none" stroke="var(--ink)" stroke-width="1.2" />
      <title>Night cover, rolled up by day</title>
    </g>
    <g v-for="v in vents" :key="v.name">
      <path
        :transform="`translate(${scale.x(v.x) + (v.name === 'high vent' ? 14 : -24)}, ${scale.y(v.z) + (v.name === 'high vent' ? -6 : 4)}) scale(${v.size})`"
        d="M 0 6 q 9 -3 9 -12 m -4 3.5 l 4 -4 l 4 4" fill="none" stroke="var(--slate)" stroke-width="1.8" stroke-linecap="round"
      />
      <title>{{ v.name }}</title>
    </g>
    <g v-for="(p, i) in draughts" :key="`d${i}`" data-test="draught">
      <path :transform="`translate(${scale.x(p.x) + (i === 0 ? -34 : 12)}, ${scale.y(p.z) + (i === 0 ? -14 : -10)})`" d="M 0 0 q 4 -5 8 0 t 8 0 m -16 5 q 4 -5 8 0 t 8 0" fill="none" stroke="var(--slate)" stroke-width="1.4" />
      <title>Air leaks at this joint</title>
    </g>
    <path :d="arc.path" fill="none" stroke="var(--ink)" stroke-width="1.3" />
    <line :x1="arc.x" :x2="arc.x + arc.r + 12" :y1="arc.y" :y2="arc.y" stroke="var(--ink)" stroke-width="1" stroke-dasharray="3 3" />
  </g>
</template>
