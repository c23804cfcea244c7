<script setup lang="ts">
import { MONTH_NAMES } from '../../../core/climate'
import { bedAt, benchAt } from '../../../core/design'
import {
  clearances,
  freePlace,
  withBackWall,
  withBreak,
  withCorner,
  withFront,
  withKneeWall,
  withRidge,
  withWidth,
} from '../../../core/editing'
import { needsOf } from '../../../core/aim/aim-line'
import { headroom } from '../../../core/advice/cautions'
import { cornerName } from '../../../core/geometry/parts'
import { canHaveFront, hasFront, makeOutline, sunnyAzimuthDeg } from '../../../core/geometry/section'
import { kneeWallSnow } from '../../../core/sums'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const shape = computed(() => bench.current.shape)
const m = (v: number) => settings.show(v, 'length')
const TABS = [
  { id: 'angle', name: 'Angle and turn' },
  { id: 'form', name: 'Form' },
  { id: 'dimensions', name: 'Dimensions' },
  { id: 'sun', name: 'Sun on things' },
  { id: 'beds', name: 'Beds and paths' },
] as const

/** What the ground rises from the sunny wall to the back wall by the slope that was surveyed. */
const surveyedRise = computed(() => {
  const { slopeDeg, slopeTowardsDeg } = bench.current.site.survey
  const sunny = sunnyAzimuthDeg(bench.current.site.latitudeDeg, shape.value.turnDeg)
  return (
    Math.round(
      Math.tan((slopeDeg * Math.PI) / 180) *
        Math.cos(((slopeTowardsDeg - sunny) * Math.PI) / 180) *
        shape.value.widthM *
        100,
    ) / 100
  )
})
const snow = computed(() => {
  const depth = year.view?.answers.outside.snowMostM ?? 0
  return depth > 0.02 ? { depth, sum: kneeWallSnow(makeOutline(shape.value).sunnySlopeM, depth) } : null
})

const LISTS = [
  { key: 'beds', one: 'Bed', width: 0.9, height: 0.4 },
  { key: 'benches', one: 'Bench', width: 0.6, height: 0.8 },
] as const
function addTo(list: (typeof LISTS)[number]): void {
  const at = freePlace(shape.value[list.key], list.width, shape.value.widthM)
  if (at === null) {
    useNotices().tell(
      'info',
      `There is no free floor for another ${list.one.toLowerCase()} ${m(list.width)} wide. Move or narrow one first.`,
    )
    return
  }
  const made = list.key === 'beds' ? bedAt(at, list.width, list.height) : benchAt(at, list.width, list.height)
  bench.edit([[`shape.${list.key}`, [...shape.value[list.key], made]]], `add ${list.key}`)
}
const MONTHS = MONTH_NAMES.map((name, i) => ({ id: String(i + 1), name }))
const crops = computed(() => [
  { id: '', name: 'planted all year' },
  ...bench.current.aim.crops.map(c => ({ id: c.id, name: needsOf(c).name })),
])
/** Each bed's own light and soil, in its darkest month and its coldest hour. */
const bedFigures = computed(() =>
  (year.view?.answers.beds ?? []).map(({ dli, soilMinC }) => {
    const darkest = dli.indexOf(Math.min(...dli))
    return (
      `${dli[darkest]!.toFixed(1)} mol/m² a day of sun in ${MONTH_NAMES[darkest]}; ` +
      `soil at its coldest ${settings.show(soilMinC, 'temperature')}.`
    )
  }),
)
const gaps = computed(() => clearances(bench.current))
</script>

<template>
  <StepTabs :tabs="TABS" label="Parts of the shape">
    <template #angle>
      <div class="step-grid shape-grid">
        <AngleScale />
        <TurnScale />
        <div class="col-span-full">
          <h2 class="group-title">Angle and turn together</h2>
          <TwoWayMap />
        </div>
      </div>
    </template>
    <template #form>
      <div class="px-4 py-3">
        <FormChooser />
      </div>
    </template>
    <template #dimensions>
      <div class="px-4 py-3">
        <p class="hint mb-1">All inside; or drag and type them on the drawing.</p>
        <div class="grid grid-cols-2 gap-3 md:grid-cols-5">
          <DesignField
            path="shape.lengthM"
            :label="shape.form === 'dome' ? 'Across' : 'Length along the ridge'"
            :set="
              (v: number) =>
                shape.form === 'dome'
                  ? bench.setShape(withWidth(shape, v), 'width')
                  : bench.edit([['shape.lengthM', v]])
            "
          />
          <DesignField
            v-if="shape.form !== 'dome'"
            path="shape.widthM"
            :set="(v: number) => bench.setShape(withWidth(shape, v), 'width')"
          />
          <DesignField
            v-if="shape.form !== 'own' || shape.corners[0]?.part === 'kneeWall'"
            path="shape.kneeWallM"
            :set="(v: number) => bench.setShape(withKneeWall(shape, v), 'knee wall')"
          />
          <DesignField path="shape.ridgeHeightM" :set="(v: number) => bench.setShape(withRidge(shape, v), 'ridge')" />
          <template v-if="shape.form === 'saltbox' || shape.form === 'arch'">
            <DesignField
              path="shape.ridgeAtM"
              :max="shape.widthM - 0.2"
              :set="(v: number) => bench.setShape(withRidge(shape, shape.ridgeHeightM, v), 'ridge place')"
            />
            <DesignField
              path="shape.backWallM"
              :min="0.2"
              :max="shape.ridgeHeightM"
              :set="(v: number) => bench.setShape(withBackWall(shape, v), 'back wall')"
            />
          </template>
          <DesignField
            path="shape.front"
            v-if="canHaveFront(shape.form)"
            :set="(on: boolean) => bench.setShape(withFront(shape, on), 'front')"
          />
          <template v-if="hasFront(shape)">
            <DesignField
              path="shape.breakAtM"
              :max="makeOutline(shape).ridgeAtM - 0.1"
              :set="(v: number) => bench.setShape(withBreak(shape, v, shape.breakHeightM), 'break')"
            />
            <DesignField
              path="shape.breakHeightM"
              :min="shape.kneeWallM"
              :max="shape.ridgeHeightM"
              :set="(v: number) => bench.setShape(withBreak(shape, shape.breakAtM, v), 'break')"
            />
          </template>
          <DesignField
            path="shape.sunkM"
            v-if="shape.form !== 'a-frame'"
            label="Floor below the ground at the sunny wall"
            :max="shape.kneeWallM"
          />
          <template v-if="shape.form !== 'dome'">
            <DesignField path="shape.overhangM" />
            <DesignField path="shape.shadeStripM" />
          </template>
          <template v-if="shape.form === 'lean-to'">
            <DesignField path="shape.house.heightM" :min="shape.ridgeHeightM" />
            <DesignField path="shape.house.airC" />
          </template>
          <DesignField
            path="shape.riseM"
            v-if="shape.form !== 'a-frame' && shape.form !== 'lean-to'"
            :min="-shape.sunkM"
          />
          <DesignField path="breathe.lobby.areaM2" />
        </div>
        <fieldset v-if="shape.form === 'own'" class="mt-2" data-test="corners">
          <legend class="group-title">
            Corners
            <span class="hint font-sans font-normal">or drag them on the section; add them under Skin, Parts</span>
          </legend>
          <div class="grid gap-x-8 gap-y-1 md:grid-cols-2">
            <div v-for="(c, i) in shape.corners.slice(0, -1)" :key="c.part" class="grid grid-cols-2 gap-3">
              <DesignField
                :path="`shape.corners.${i}.atM`"
                :label="`${cornerName(c.part)}, from the sunny wall`"
                :max="shape.widthM"
                :set="(v: number) => bench.setShape(withCorner(shape, i, v, c.heightM), `corner ${i}`)"
              />
              <DesignField
                :path="`shape.corners.${i}.heightM`"
                label="its height"
                :set="(v: number) => bench.setShape(withCorner(shape, i, c.atM, v), `corner ${i}`)"
              />
            </div>
          </div>
        </fieldset>
        <p
          v-if="
            Math.abs(surveyedRise - shape.riseM) > 0.02 &&
            bench.current.site.survey.slopeDeg > 0 &&
            shape.form !== 'a-frame'
          "
          class="mt-1"
        >
          By the slope noted at the site the ground rises {{ m(surveyedRise) }} from the sunny wall to the back wall.
          <button class="button" data-test="take-slope" @click="bench.edit([['shape.riseM', surveyedRise]])">
            Build into the slope
          </button>
        </p>
        <div v-if="snow" class="mt-2" data-test="snow-pile">
          <p>
            Snow of {{ m(snow.depth) }} sliding off the glass piles up {{ m(snow.sum.result) }} high; the knee wall
            shows {{ m(Math.max(0, shape.kneeWallM - shape.sunkM)) }} above the ground.
            <strong v-if="snow.sum.result > shape.kneeWallM - shape.sunkM" class="text-clay"
              >The pile reaches up the glass: shovel it, or raise the wall.</strong
            >
          </p>
          <SumLines :sum="snow.sum" />
        </div>
      </div>
    </template>
    <template #sun>
      <SunOnThings />
    </template>
    <template #beds>
      <div class="grid gap-x-8 gap-y-3 px-4 py-3 lg:grid-cols-2">
        <div v-for="list in LISTS" :key="list.key">
          <h2 class="group-title">
            {{ list.one === 'Bed' ? 'Beds' : 'Benches' }}
            <span class="hint font-sans font-normal">or drag them on the section and the plan</span>
          </h2>
          <ul class="grid gap-y-1">
            <li v-for="(_, i) in shape[list.key]" :key="i" class="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
              <DesignField :path="`shape.${list.key}.${i}.atM`" :label="`${list.one} ${i + 1} from the sunny wall`" />
              <DesignField :path="`shape.${list.key}.${i}.widthM`" />
              <DesignField :path="`shape.${list.key}.${i}.heightM`" />
              <button
                class="button quiet"
                :aria-label="`Take out ${list.one.toLowerCase()} ${i + 1}`"
                @click="
                  bench.edit([[`shape.${list.key}`, shape[list.key].filter((_, k) => k !== i)]], `remove ${list.key}`)
                "
              >
                ×
              </button>
              <template v-if="list.key === 'benches'">
                <DesignField :path="`shape.benches.${i}.fromMonth`" :options="MONTHS" />
                <DesignField :path="`shape.benches.${i}.untilMonth`" :options="MONTHS" />
              </template>
              <template v-if="list.key === 'beds'">
                <DesignField :path="`shape.beds.${i}.crop`" :options="crops" label="Crop" />
                <DesignField :path="`shape.beds.${i}.leafArea`" />
                <DesignField :path="`shape.beds.${i}.soilCover`" />
                <span />
                <DesignField :path="`shape.beds.${i}.leavesM`" none="by its crop" />
                <DesignField :path="`shape.beds.${i}.soilDepthM`" none="as deep as the bed" class="col-span-2" />
                <span />
                <p v-if="bedFigures[i]" class="hint col-span-4" :data-test="`bed-figures-${i}`">{{ bedFigures[i] }}</p>
                <DesignField :path="`shape.beds.${i}.fill`" />
                <DesignField :path="`shape.beds.${i}.boardM`" class="col-span-2" />
                <span />
                <DesignField
                  v-if="shape.beds[i]!.boardM > 0"
                  :path="`shape.beds.${i}.boardMaterial`"
                  class="col-span-3"
                />
              </template>
            </li>
          </ul>
          <button
            v-if="shape[list.key].length < 6"
            class="button mt-1"
            :data-test="`add-${list.key}`"
            @click="addTo(list)"
          >
            Add a {{ list.one.toLowerCase() }}
          </button>
        </div>
        <div class="lg:col-span-2">
          <h2 class="group-title">Paths</h2>
          <div class="grid gap-x-8 lg:grid-cols-2">
            <DesignField path="shape.pathM" />
            <p data-test="gaps">
              Free floor from the sunny wall:
              <template v-for="(g, i) in gaps" :key="g.x0">
                {{ i > 0 ? ', ' : ''
                }}<strong :class="g.narrow ? 'text-clay' : ''"
                  >{{ m(g.widthM) }}{{ g.narrow ? ' (narrow)' : '' }}</strong
                > </template
              >{{ gaps.length === 0 ? 'none' : '' }}. Headroom on the path {{ m(headroom(bench.current).clearM) }}.
            </p>
          </div>
        </div>
      </div>
    </template>
  </StepTabs>
</template>

<style scoped>
@media (min-width: 901px) {
  .step-grid.shape-grid {
    grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr) !important;
  }
}
</style>
