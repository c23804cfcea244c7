<script setup lang="ts">
import { sectionWords } from '../../../core/frame/section-words'
import { spacingWords } from '../../../core/frame/spacing'
import { makeOutline } from '../../../core/geometry/section'
import { cutList } from '../../../core/takeoff/cuts'
import { CUT_NAMES, type EndCut, type Member } from '../../../core/frame/member'
import {
  cornerMitre,
  cornerOutline,
  facetOutline,
  memberOutline,
  pointsOf,
  shapesOf,
  together,
} from '../../../core/takeoff/cut-drawings'

/** Members with their cuts drawn, and how lumber, sheets and facets come out of what is sold. */
const bench = useDesign()
const settings = useSettings()
const cuts = computed(() => cutList(bench.current))
const m = (v: number) => settings.show(v, 'cutLength')
const sold = (v: number) => settings.show(v, 'length')
/** Lumber: what is cut, and what is left over of what is bought. */
const lumber = computed(() => {
  const boughtM = cuts.value.lumber.reduce((sum, b) => sum + b.lengthM, 0)
  const cutM = cuts.value.lumber.reduce((sum, b) => sum + b.pieces.reduce((a, p) => a + p, 0), 0)
  return { boughtM, cutM, left: boughtM > 0 ? 1 - cutM / boughtM : 0 }
})
const spacing = computed(() => spacingWords(bench.current, makeOutline(bench.current.shape), settings.show))
const deg = (v: number) => settings.show(v, 'angle')
const end = ({ cut, sawDeg }: EndCut) => (cut === 'square' ? 'square' : `${CUT_NAMES[cut]}, saw at ${deg(sawDeg)}`)
const cutWords = (one: Member) =>
  one.bent
    ? 'bent on the jig'
    : one.bevelDeg
      ? `corner to corner, ends to suit the hub; long sides bevelled, saw at ${deg(one.bevelDeg)}`
      : one.ends.map(end).join('; ')
const section = computed(() => sectionWords(bench.current.build, settings.show))
/** Members are drawn so long and so deep, px; their ends at their true angles. */
const DRAWN = { longPx: 150, deepPx: 18 }
const outline = (one: Member) => memberOutline(one, DRAWN.longPx, DRAWN.deepPx)
/** Bars and sheets that are cut alike, as one. */
const bars = computed(() => together(cuts.value.lumber, b => `${b.lengthM} ${b.pieces.join(' ')}`))
const longest = computed(() => Math.max(1, ...cuts.value.lumber.map(b => b.lengthM)))
const glazing = computed(() =>
  cuts.value.glazing.map(g => ({
    ...g,
    alike: together(g.sheets, s => `${s.lengthM} ${s.pieces.map(p => `${p.part} ${p.widthM} ${p.lengthM}`).join(' ')}`),
    orders: together(
      g.pieces.map(p => ({ ...p })),
      p => `${p.part} ${p.widthM.toFixed(3)} ${p.lengthM.toFixed(3)}`,
    ),
    left: g.boughtM2 > 0 ? 1 - g.areaM2 / g.boughtM2 : 0,
  })),
)
const SHEET_PX = 34
const covers = (g: { areaM2: number; boughtM2: number; left: number }) =>
  `${settings.show(g.areaM2, 'area')} to cover, ${settings.show(g.boughtM2, 'area')} bought` +
  (g.left > 0.005 ? `, ${settings.show(g.left, 'share')} left over` : '')
</script>

<template>
  <div class="px-4 py-3">
    <div class="flex flex-wrap items-start gap-x-4">
      <DesignField path="build.frame.made" class="w-32" />
      <DesignField path="build.frame.apartM" class="w-60" />
      <DesignField path="build.frame.sheetM" class="w-48" />
      <DesignField path="build.frame.filmM" class="w-48" />
      <DesignField path="build.frame.purlinM" class="w-36" />
      <DesignField path="build.frame.thickM" class="w-44" />
      <DesignField path="build.frame.deepM" class="w-44" />
      <ExportButtons of="cuts" :input="() => cuts" class="mt-6" />
    </div>
    <p class="mt-1" data-test="spacing">
      {{ spacing.said }}. <span class="hint">{{ spacing.why }}</span>
    </p>
    <p class="caution" role="note">
      Spans and sections are entered, or told by an engineer: they are not worked out here. Lengths are those of the
      inner edge between the lines of the cuts; cut one, try it on the frame, then cut the rest.
      {{
        bench.current.build.frame.thickM === null
          ? 'Once members have a thickness, studs are given less sill and plate.'
          : ''
      }}
    </p>
    <p v-for="(one, i) in cuts.tooLong" :key="`long${i}`" class="caution" role="note" data-test="too-long">
      {{ one.member }}, {{ one.part }}: {{ m(one.lengthM) }} is longer than any length that is sold here. Order it, or
      have an engineer say where it is joined; the lists count it in parts alike.
    </p>
    <h2 class="group-title mt-2">
      Members <span class="hint font-sans font-normal">{{ section }}</span>
    </h2>
    <div class="overflow-x-auto" v-sideways>
      <table class="text-sm" data-test="members">
        <thead>
          <tr>
            <th scope="col" class="text-left font-normal">member</th>
            <th scope="col" class="pl-4 text-left font-normal">part</th>
            <th scope="col" class="pl-4 text-right font-normal">how many</th>
            <th scope="col" class="pl-4 text-right font-normal">long</th>
            <th scope="col" class="pl-4 text-left font-normal">lower end, upper end</th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(one, i) in cuts.members" :key="i" class="border-t border-line">
            <th scope="row" class="text-left font-normal whitespace-nowrap">{{ one.member }}</th>
            <td class="pl-4 whitespace-nowrap">{{ one.part }}</td>
            <td class="pl-4 text-right tabular-nums">{{ one.count }}</td>
            <td class="pl-4 text-right font-semibold whitespace-nowrap tabular-nums">{{ m(one.lengthM) }}</td>
            <td class="pl-4">{{ cutWords(one) }}</td>
            <td class="pl-4">
              <svg
                v-if="!one.bent"
                :width="DRAWN.longPx + 60"
                :height="DRAWN.deepPx + 4"
                viewBox="-30 -2 210 22"
                aria-hidden="true"
              >
                <polygon :points="outline(one)" fill="var(--straw)" fill-opacity="0.5" stroke="var(--ink)" />
              </svg>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <section v-if="cuts.jig.length > 0" class="mt-3">
      <h2 class="group-title">Jig <span class="hint font-sans font-normal">pins from the foot: across, up</span></h2>
      <ol class="ml-5 list-decimal columns-2 text-sm tabular-nums sm:columns-3" data-test="jig">
        <li v-for="(p, i) in cuts.jig" :key="i">{{ m(p.xM) }}, {{ m(p.zM) }}</li>
      </ol>
    </section>
    <section v-if="cuts.corners.length + cuts.rakes.length > 0" class="mt-3">
      <h2 class="group-title">Corners that are not square</h2>
      <ul class="text-sm" data-test="corners">
        <li v-for="(c, i) in cuts.corners" :key="`c${i}`" class="flex items-center gap-3">
          <svg width="90" height="46" viewBox="-45 -6 90 46" aria-hidden="true">
            <polygon :points="cornerOutline(c, 40, 12)" fill="var(--straw)" fill-opacity="0.5" stroke="var(--ink)" />
            <line x1="0" y1="0" x2="0" :y2="cornerMitre(c, 12)" stroke="var(--clay)" />
          </svg>
          {{ c.count }} at the foot, {{ deg(c.angleDeg) }} from above: blocks, forms, boards and sills meet on a saw cut
          at {{ deg(c.sawDeg) }} from square
        </li>
        <li v-for="(r, i) in cuts.rakes" :key="`r${i}`">
          {{ r.part }}: the last course is cut to the slope, {{ deg(r.sawDeg) }}, over {{ m(r.lengthM) }}
        </li>
      </ul>
    </section>
    <section v-if="cuts.facets.length > 0" class="mt-3">
      <h2 class="group-title">Facets</h2>
      <ul class="flex flex-wrap gap-6" data-test="facets">
        <li v-for="(f, i) in cuts.facets" :key="i" class="text-sm">
          <svg width="130" height="130" viewBox="-5 -5 140 140" aria-hidden="true">
            <polygon :points="facetOutline(f, 130)" fill="var(--straw)" fill-opacity="0.4" stroke="var(--ink)" />
          </svg>
          <p>
            <strong>{{ f.count }} × {{ f.part }}</strong>
          </p>
          <p>sides {{ f.sidesM.map(m).join(', ') }}</p>
          <p>angles {{ f.anglesDeg.map(deg).join(', ') }}</p>
        </li>
      </ul>
    </section>
    <section v-if="bars.length > 0" class="mt-3">
      <h2 class="group-title">
        Lumber
        <span class="hint font-sans font-normal">
          what comes out of each length: {{ sold(lumber.cutM) }} of {{ sold(lumber.boughtM) }} bought,
          {{ settings.show(lumber.left, 'share') }} left over
        </span>
      </h2>
      <ul class="text-sm" data-test="bars">
        <li v-for="(b, i) in bars" :key="i" class="flex flex-wrap items-center gap-x-3 border-t border-line py-0.5">
          <span class="w-28 whitespace-nowrap tabular-nums">{{ b.count }} × {{ sold(b.of.lengthM) }}</span>
          <span class="flex h-4 min-w-40 flex-1" aria-hidden="true">
            <span class="flex border border-ink" :style="{ width: `${(b.of.lengthM / longest) * 100}%` }">
              <span
                v-for="(p, k) in b.of.pieces"
                :key="k"
                class="border-r border-ink bg-straw/60"
                :style="{ width: `${(p / b.of.lengthM) * 100}%` }"
              />
            </span>
          </span>
          <span class="w-64 tabular-nums">{{ b.of.pieces.map(m).join(' + ') }}</span>
        </li>
      </ul>
    </section>
    <section v-for="g in glazing" :key="g.glazing.id" class="mt-3" data-test="glazing-cuts">
      <h2 class="group-title">
        {{ settings.named(g.glazing.name) }}
        <span class="hint font-sans font-normal">{{ covers(g) }}</span>
      </h2>
      <p v-if="g.glazing.uvFace" class="hint">The marked face goes to the sun: look before each sheet is fixed.</p>
      <ul v-if="g.alike.length > 0" class="flex flex-wrap gap-4 text-sm">
        <li v-for="(s, i) in g.alike" :key="i">
          <svg
            :width="s.of.widthM * SHEET_PX + 2"
            :height="s.of.lengthM * SHEET_PX + 2"
            role="img"
            :aria-label="s.of.pieces.map(p => `${p.part} ${m(p.widthM)} × ${m(p.lengthM)}`).join('; ')"
          >
            <rect
              x="1"
              y="1"
              :width="s.of.widthM * SHEET_PX"
              :height="s.of.lengthM * SHEET_PX"
              fill="url(#waste)"
              stroke="var(--ink)"
            />
            <g v-for="(p, k) in s.of.pieces" :key="k">
              <polygon
                v-for="(shape, n) in shapesOf(p)"
                :key="n"
                :points="pointsOf(shape, { x: 1 + p.xM * SHEET_PX, y: 1 + p.yM * SHEET_PX }, SHEET_PX)"
                fill="var(--straw)"
                fill-opacity="0.5"
                stroke="var(--ink)"
              />
              <title>{{ p.part }}: {{ m(p.widthM) }} × {{ m(p.lengthM) }}</title>
            </g>
          </svg>
          <p class="tabular-nums">{{ s.count }} × {{ sold(s.of.lengthM) }}</p>
        </li>
      </ul>
      <table v-if="g.orders.length > 0" class="text-sm">
        <tbody>
          <tr v-for="(p, i) in g.orders" :key="i" class="border-t border-line">
            <th scope="row" class="text-left font-normal">{{ p.of.part }}</th>
            <td class="pl-4 text-right tabular-nums">{{ p.count }}</td>
            <td class="pl-4 tabular-nums">{{ m(p.of.widthM) }} × {{ m(p.of.lengthM) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-for="(r, i) in g.rolls" :key="i" class="text-sm tabular-nums">
        {{ sold(r.lengthM) }} off a roll {{ sold(r.widthM) }} wide
      </p>
    </section>
    <svg width="0" height="0" aria-hidden="true">
      <defs>
        <pattern id="waste" width="6" height="6" patternUnits="userSpaceOnUse">
          <path d="M0 6L6 0" stroke="var(--line)" />
        </pattern>
      </defs>
    </svg>
  </div>
</template>
