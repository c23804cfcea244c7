<script setup lang="ts">
import type { Design, Layer, Opening, PartId } from '../../../core/design'
import { isSlope, liningM, madeOf, partName, stretches } from '../../../core/geometry/parts'
import { openingPolygons } from '../../../core/geometry/leaves'
import { openingKind, openingName } from '../../../core/openings/registry'
import { edgeLength, slopeFoot, type Outline, type Point } from '../../../core/geometry/section'
import type { SectionScale } from '~/composables/useSectionScale'

const props = defineProps<{ design: Design; outline: Outline; scale: SectionScale }>()

const drawing = useDrawing()
const name = (part: PartId) => partName(part, props.outline.form)

const thickness = (layers: readonly Layer[]) =>
  Math.max(
    0.04,
    layers.reduce((s, l) => s + l.thicknessM, 0),
  )
const points = (list: readonly Point[]) =>
  list.map(p => `${props.scale.x(p.x).toFixed(1)},${props.scale.y(p.z).toFixed(1)}`).join(' ')

type Drawn = { id: string; part: PartId; d: string; fill: string }
/** Pieces of skin with what they are made of. A dome is cut through its middle. */
const pieces = computed(() =>
  stretches(props.design, props.outline).map((s, i) => {
    const l = edgeLength(s)
    return {
      ...s,
      key: `${s.id} ${i}`,
      made: madeOf(props.design.skin, s.part),
      roof: s.top || isSlope(s.part),
      nx: -(s.b.z - s.a.z) / l,
      nz: (s.b.x - s.a.x) / l,
      l,
    }
  }),
)

const parts = computed((): Drawn[] => {
  const o = props.outline
  const wall = thickness(props.design.skin.wall)
  const { store } = props.design
  const out: Drawn[] = []
  const lastRoof = pieces.value.filter(p => p.part === 'poleSlope' && !p.glazed).at(-1)
  for (const p of pieces.value) {
    if (p.glazed) continue
    const off = p.top ? 0 : liningM(store, p.part)
    const t = thickness(p.top ? p.made.topLayers : p.made.layers)
    // A straight roof runs on over the wall that carries it.
    const over =
      p === lastRoof && o.form !== 'gambrel' && o.form !== 'dome' ? liningM(store, 'backWall') + wall + 0.12 : 0
    const b = { x: p.b.x + ((p.b.x - p.a.x) / p.l) * over, z: p.b.z + ((p.b.z - p.a.z) / p.l) * over }
    const at = (q: Point, d: number) => ({ x: q.x + p.nx * d, z: q.z + p.nz * d })
    out.push({
      id: p.key,
      part: p.part,
      fill: 'var(--wall)',
      d: points([at(p.a, off), at(b, off), at(b, off + t), at(p.a, off + t)]),
    })
    if (off > 0)
      out.push({
        id: `lining ${p.key}`,
        part: p.part,
        fill: 'var(--masonry)',
        d: points([p.a, p.b, at(p.b, off), at(p.a, off)]),
      })
  }
  return out
})

/** How thick the back wall is lined, m. */
const backLining = computed(() => liningM(props.design.store, 'backWall'))
/** Courses of that, so that masonry reads as masonry. */
const courses = computed(() => {
  if (backLining.value <= 0) return []
  const rows: number[] = []
  for (let z = 0.2; z < props.outline.backWallM; z += 0.2) rows.push(z)
  return rows
})

const panes = computed(() => pieces.value.filter(p => p.glazed))
/** Eave and strip of shade at the top of the sunny glazing. */
const eave = computed(() => (props.outline.form === 'dome' ? 0 : props.design.shape.overhangM))
const strip = computed(() => {
  const length = props.design.shape.shadeStripM
  const top = pieces.value.filter(p => p.part === 'sunnySlope').at(-1)
  if (length <= 0 || !top || props.outline.form === 'dome') return null
  const k = Math.min(1, length / top.l)
  return {
    a: top.b,
    b: { x: top.b.x + (top.a.x - top.b.x) * k, z: top.b.z + (top.a.z - top.b.z) * k },
    nx: top.nx,
    nz: top.nz,
  }
})

/** Rolled up by day at the top of the sunny slope, where one is drawn over that by night. */
const roll = computed(() => {
  const top = panes.value.filter(p => p.part === 'sunnySlope').at(-1) ?? panes.value.at(-1)
  return top && top.made.cover.id !== 'none' ? top.b : null
})
const BENT = new Set(['dome', 'arch', 'hoop', 'gambrel'])
/** Angle arc at the foot of the sunny slope. */
const arc = computed(() => {
  const { scale, outline } = props
  const from = slopeFoot(outline)
  const r = Math.min(64, (outline.ridgeAtM - from.x) * scale.ppm * 0.5)
  const x = scale.x(from.x)
  const y = scale.y(from.z)
  const a = (outline.glazingAngleDeg * Math.PI) / 180
  return {
    path: `M ${x + r} ${y} A ${r} ${r} 0 0 0 ${x + r * Math.cos(a)} ${y - r * Math.sin(a)}`,
    x,
    y,
    r,
    // Where the glazing bends, the angle is that of its chord: a line to the ridge shows it.
    chord: BENT.has(outline.form) ? { x: scale.x(outline.ridgeAtM), y: scale.y(outline.ridgeHeightM) } : null,
  }
})
/** Draughts at the joints: none when built with care, one as usual, three when gappy. */
const draughts = computed(() => {
  const o = props.outline
  const places = [
    { x: 0, z: o.kneeWallM },
    { x: o.widthM, z: o.backWallM },
    { x: o.ridgeAtM, z: o.ridgeHeightM },
  ]
  return places.slice(0, { tight: 0, usual: 1 }[props.design.breathe.leakage] ?? 3)
})
const isDoor = (o: Opening) => openingKind(o).traffic(o) !== null
/** A dome's door stands in its east side, which the section does not show. */
const drawnOpenings = computed(() =>
  openingPolygons(props.design, props.outline).filter(
    o => props.outline.form !== 'dome' || !isDoor(props.design.skin.openings[o.index]!),
  ),
)
/** Openings on the section: panes as gaps in their part, those of the ends in outline, vents as arrows of air. */
const openings = computed(() =>
  drawnOpenings.value.map(({ index, polygon }, k) => {
    const o = props.design.skin.openings[index]!
    const end = o.part === 'eastEnd' || o.part === 'westEnd'
    const [p, q] = end ? [polygon[0]!, polygon[2]!] : [polygon[0]!, polygon[1]!]
    const kind = openingKind(o)
    const vent = kind.leaf(o)?.made !== 'glazed' && !isDoor(o)
    return {
      key: `${index}-${k}`,
      index,
      end,
      vent,
      glass: !vent && !isDoor(o),
      name: openingName(props.design.skin.openings, index),
      // Vents at the ridge are shown at its very top.
      a: kind.ridge ? { x: q[0], z: q[2] } : { x: p[0], z: p[2] },
      b: { x: q[0], z: q[2] },
      // Towards the sunny side the air comes in from the left.
      left: (p[0] + q[0]) / 2 < props.outline.ridgeAtM - 0.05 && !kind.ridge,
      size: Math.min(1.7, 0.6 + kind.freeM2(o) / 10),
    }
  }),
)
/** Of a row along the house only one is seen. */
const shownOpenings = computed(() =>
  openings.value.filter(o => o.end || openings.value.find(p => p.index === o.index) === o),
)
</script>

<template>
  <g>
    <polygon
      v-for="p in parts"
      :key="p.id"
      :points="p.d"
      :fill="p.fill"
      :stroke="drawing.part === p.part ? 'var(--clay)' : 'var(--ink)'"
      :stroke-width="drawing.part === p.part ? 2.6 : 1.5"
      stroke-linejoin="round"
      class="cursor-pointer"
      :data-test="`part-${p.part}`"
      @click="drawing.pressPart(p.part)"
    >
      <title>{{ name(p.part) }}: press it for its card</title>
    </polygon>
    <line
      v-for="z in courses"
      :key="z"
      :x1="scale.x(outline.widthM)"
      :x2="scale.x(outline.widthM + backLining)"
      :y1="scale.y(z)"
      :y2="scale.y(z)"
      stroke="var(--ink)"
      stroke-width="0.6"
      opacity="0.5"
    />
    <g
      v-for="p in panes"
      :key="p.key"
      class="cursor-pointer"
      :data-test="`part-${p.part}`"
      @click="drawing.pressPart(p.part)"
    >
      <title>{{ name(p.part) }}: press it for its card</title>
      <line
        v-for="wide in drawing.part === p.part ? [20, 11] : [20]"
        :key="wide"
        :x1="scale.x(p.a.x)"
        :y1="scale.y(p.a.z)"
        :x2="scale.x(p.b.x)"
        :y2="scale.y(p.b.z)"
        :stroke="wide === 20 ? 'transparent' : 'var(--clay)'"
        :stroke-width="wide"
      />
      <line
        :x1="scale.x(p.a.x)"
        :y1="scale.y(p.a.z)"
        :x2="scale.x(p.b.x)"
        :y2="scale.y(p.b.z)"
        stroke="var(--glass)"
        stroke-width="4"
      />
      <line
        v-for="k in p.made.glazing.layers"
        :key="k"
        :x1="scale.x(p.a.x) + p.nx * (1 + 4 * k)"
        :y1="scale.y(p.a.z) - p.nz * (1 + 4 * k)"
        :x2="scale.x(p.b.x) + p.nx * (1 + 4 * k)"
        :y2="scale.y(p.b.z) - p.nz * (1 + 4 * k)"
        stroke="var(--ink)"
        :stroke-width="k === p.made.glazing.layers ? 1.5 : 0.7"
      />
    </g>
    <line
      v-if="strip"
      :x1="scale.x(strip.a.x) - strip.nx * 5"
      :y1="scale.y(strip.a.z) + strip.nz * 5"
      :x2="scale.x(strip.b.x) - strip.nx * 5"
      :y2="scale.y(strip.b.z) + strip.nz * 5"
      stroke="var(--ink)"
      stroke-width="5"
      data-test="shade-strip"
    />
    <line
      v-if="eave > 0"
      :x1="scale.x(outline.ridgeAtM)"
      :y1="scale.y(outline.ridgeHeightM) - 4"
      :x2="scale.x(outline.ridgeAtM - eave)"
      :y2="scale.y(outline.ridgeHeightM) - 4"
      stroke="var(--ink)"
      stroke-width="5"
      data-test="eave"
    />
    <g v-if="roll" data-test="cover-roll">
      <circle
        :cx="scale.x(roll.x) - 15"
        :cy="scale.y(roll.z) + 19"
        r="8"
        fill="var(--paper)"
        stroke="var(--ink)"
        stroke-width="1.3"
      />
      <path
        :d="`M ${scale.x(roll.x) - 19} ${scale.y(roll.z) + 19} a 4 4 0 1 1 4 4`"
        fill="none"
        stroke="var(--ink)"
        stroke-width="1.2"
      />
      <title>Night cover, rolled up by day</title>
    </g>
    <g
      v-for="o in shownOpenings"
      :key="o.key"
      class="cursor-pointer"
      :data-test="`section-opening-${o.index}`"
      @click="drawing.press({ kind: 'opening', index: o.index })"
    >
      <title>{{ o.name }}: press it for its card</title>
      <rect
        v-if="o.end"
        :x="scale.x(Math.min(o.a.x, o.b.x))"
        :y="scale.y(Math.max(o.a.z, o.b.z))"
        :width="Math.abs(o.b.x - o.a.x) * scale.ppm"
        :height="Math.abs(o.b.z - o.a.z) * scale.ppm"
        :fill="o.glass ? 'var(--glass)' : 'transparent'"
        fill-opacity="0.18"
        stroke="var(--ink)"
        stroke-width="1"
        stroke-dasharray="5 4"
        opacity="0.7"
      />
      <line
        v-else-if="!o.vent"
        :x1="scale.x(o.a.x)"
        :y1="scale.y(o.a.z)"
        :x2="scale.x(o.b.x)"
        :y2="scale.y(o.b.z)"
        :stroke="o.glass ? 'var(--glass)' : 'var(--earth-line)'"
        stroke-width="6"
      />
      <path
        v-else
        :transform="
          `translate(${scale.x((o.a.x + o.b.x) / 2) + (o.left ? -24 : 14)}, ` +
          `${scale.y((o.a.z + o.b.z) / 2) + (o.left ? 4 : -6)}) scale(${o.size})`
        "
        d="M 0 6 q 9 -3 9 -12 m -4 3.5 l 4 -4 l 4 4"
        fill="none"
        stroke="var(--slate)"
        stroke-width="1.8"
        stroke-linecap="round"
      />
    </g>
    <g v-for="(p, i) in draughts" :key="`d${i}`" data-test="draught">
      <path
        :transform="`translate(${scale.x(p.x) + (i === 0 ? -34 : 12)}, ${scale.y(p.z) + (i === 0 ? -14 : -10)})`"
        d="M 0 0 q 4 -5 8 0 t 8 0 m -16 5 q 4 -5 8 0 t 8 0"
        fill="none"
        stroke="var(--slate)"
        stroke-width="1.4"
      />
      <title>Air leaks at this joint</title>
    </g>
    <path :d="arc.path" fill="none" stroke="var(--ink)" stroke-width="1.3" />
    <line
      v-if="arc.chord"
      :x1="arc.x"
      :y1="arc.y"
      :x2="arc.chord.x"
      :y2="arc.chord.y"
      stroke="var(--ink)"
      stroke-width="1"
      stroke-dasharray="3 3"
    />
    <line
      :x1="arc.x"
      :x2="arc.x + arc.r + 12"
      :y1="arc.y"
      :y2="arc.y"
      stroke="var(--ink)"
      stroke-width="1"
      stroke-dasharray="3 3"
    />
  </g>
</template>
