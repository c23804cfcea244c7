<script setup lang="ts">
import {
  clearances,
  withBackWall,
  withBreak,
  withCorner,
  withFront,
  withKneeWall,
  withRidge,
  withWays,
  withWidth,
} from '../../../core/editing'
import { accessLines } from '../../../core/advice/access'
import { headroom } from '../../../core/advice/cautions'
import { cornerName } from '../../../core/geometry/parts'
import { canHaveFront, hasFront, makeOutline, sunnyAzimuthDeg } from '../../../core/geometry/section'
import { kneeWallSnow } from '../../../core/sums'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const house = computed(() => year.view?.answers.house ?? null)
const shape = computed(() => bench.current.shape)
const m = (v: number) => settings.show(v, 'length')
const drawing = useDrawing()
const BEDS = 4
const tab = ref(0)
watch(
  () => drawing.pressed,
  thing => {
    if (thing?.kind === 'bed' || thing?.kind === 'bench') tab.value = BEDS
  },
  { immediate: true },
)
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

const gaps = computed(() => clearances(bench.current))
/** What nobody gets to; and the house with ways laid to it, where beds that are drawn in do that. */
const ways = computed(() => accessLines(bench.current, settings.show))
const opened = computed(() => {
  if (ways.value.length === 0) return null
  const house = withWays(bench.current)
  return house === bench.current ? null : house
})
</script>

<template>
  <StepTabs v-model="tab" :tabs="TABS" label="Parts of the shape">
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
            <DesignField path="shape.house.beyondM" />
            <DesignField path="shape.house.airC" />
            <DesignField path="shape.house.pricePerKWh" />
            <p v-if="house" class="hint" data-test="house-heat">
              The house gives it {{ settings.show(house.gaveKWh * 3.6e6, 'energy') }} a year<template
                v-if="house.cost > 0"
                >, about {{ bench.current.topUp.currency }} {{ Math.round(house.cost) }}</template
              >, and takes {{ settings.show(house.tookKWh * 3.6e6, 'energy') }}. What its wall is made of is under Skin,
              Parts: the back wall.
            </p>
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
        <BedList />
        <BenchList />
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
              >{{ gaps.length === 0 ? 'none' : '' }}. Headroom on the path
              <span data-figure="headroom">{{ m(headroom(bench.current).clearM) }}</span
              >.
            </p>
            <ul v-if="ways.length > 0" class="lg:col-span-2" data-test="ways">
              <li v-for="line in ways" :key="line" class="text-clay">{{ line }}</li>
              <li v-if="opened">
                <button
                  class="button"
                  data-test="lay-ways"
                  @click="bench.edit([['shape.beds', opened.shape.beds]], 'lay ways')"
                >
                  Draw the beds in so that one gets to it
                </button>
              </li>
            </ul>
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
