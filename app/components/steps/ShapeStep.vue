<script setup lang="ts">
import {
  clearances,
  freePlace,
  headroom,
  RANGES,
  withBackWall,
  withBreak,
  withKneeWall,
  withRidge,
  withWidth,
  type Bed,
} from '../../../core/design'
import { makeOutline, sunnyAzimuthDeg } from '../../../core/geometry/section'
import { kneeWallSnow } from '../../../core/sums'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const shape = computed(() => bench.current.shape)
const set = (path: string) => (v: number) => bench.edit([[path, v]])
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
  const depth = year.view?.snowMostM ?? 0
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
  const made: Bed = { atM: at, widthM: list.width, heightM: list.height }
  bench.edit([[`shape.${list.key}`, [...shape.value[list.key], made]]], `add ${list.key}`)
}
const gaps = computed(() => clearances(bench.current))

/** Mass that stands on the floor besides the barrels: put in small, then drawn out on the section and the plan. */
const MASS = [
  {
    key: 'tank',
    name: 'Tank',
    size: 'lengthM',
    start: 2,
    fields: [
      ['atM', 'from the sunny wall', 'bed.atM'],
      ['lengthM', 'long', 'store.tank.lengthM'],
      ['widthM', 'wide', 'store.tank.widthM'],
      ['heightM', 'high', 'store.tank.heightM'],
    ],
  },
  {
    key: 'pond',
    name: 'Pond',
    size: 'lengthM',
    start: 2,
    fields: [
      ['atM', 'from the sunny wall', 'bed.atM'],
      ['lengthM', 'long', 'store.tank.lengthM'],
      ['widthM', 'wide', 'store.tank.widthM'],
      ['depthM', 'deep', 'store.pond.depthM'],
    ],
  },
  {
    key: 'innerWall',
    name: 'Wall of mass',
    size: 'thicknessM',
    start: 0.3,
    fields: [
      ['atM', 'from the sunny wall', 'bed.atM'],
      ['thicknessM', 'thick', 'store.innerWall.thicknessM'],
      ['heightM', 'high', 'store.innerWall.heightM'],
    ],
  },
] as const
type Mass = (typeof MASS)[number]
const mass = computed(() =>
  MASS.map(kind => ({ kind, of: bench.current.store[kind.key] as unknown as Record<string, number> })),
)
const there = (m: { kind: Mass; of: Record<string, number> }) => m.of[m.kind.size]! > 0
function toggle(m: { kind: Mass; of: Record<string, number> }): void {
  const { key, size, start } = m.kind
  const wide = key === 'innerWall' ? start : m.of.widthM!
  const at = Math.max(0, Math.min(m.of.atM!, shape.value.widthM - wide))
  bench.edit(
    there(m)
      ? [[`store.${key}.${size}`, 0]]
      : [
          [`store.${key}.${size}`, Math.min(start, size === 'lengthM' ? shape.value.lengthM : start)],
          [`store.${key}.atM`, at],
        ],
    `${key} ${there(m) ? 'out' : 'in'}`,
  )
}
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
          <QuantityField
            :label="shape.form === 'dome' ? 'Across' : 'Length along the ridge'"
            quantity="length"
            :value="shape.lengthM"
            :min="RANGES['shape.lengthM'][0]"
            :max="RANGES['shape.lengthM'][1]"
            :set="
              v =>
                shape.form === 'dome'
                  ? bench.setShape(withWidth(shape, v), 'width')
                  : bench.edit([['shape.lengthM', v]])
            "
          />
          <QuantityField
            v-if="shape.form !== 'dome'"
            label="Width"
            quantity="length"
            :value="shape.widthM"
            :min="RANGES['shape.widthM'][0]"
            :max="RANGES['shape.widthM'][1]"
            :set="v => bench.setShape(withWidth(shape, v), 'width')"
          />
          <QuantityField
            label="Knee wall"
            quantity="length"
            :value="shape.kneeWallM"
            :min="0"
            :max="RANGES['shape.kneeWallM'][1]"
            :set="v => bench.setShape(withKneeWall(shape, v), 'knee wall')"
          />
          <QuantityField
            label="Ridge height"
            quantity="length"
            :value="shape.ridgeHeightM"
            :min="RANGES['shape.ridgeHeightM'][0]"
            :max="RANGES['shape.ridgeHeightM'][1]"
            :set="v => bench.setShape(withRidge(shape, v), 'ridge')"
          />
          <template v-if="shape.form === 'saltbox' || shape.form === 'arch'">
            <QuantityField
              label="Ridge from the sunny wall"
              quantity="length"
              :value="shape.ridgeAtM"
              :min="RANGES['shape.ridgeAtM'][0]"
              :max="shape.widthM - 0.2"
              :set="v => bench.setShape(withRidge(shape, shape.ridgeHeightM, v), 'ridge place')"
            />
            <QuantityField
              label="Back wall"
              quantity="length"
              :value="shape.backWallM"
              :min="0.2"
              :max="shape.ridgeHeightM"
              :set="v => bench.setShape(withBackWall(shape, v), 'back wall')"
            />
          </template>
          <template v-if="shape.form === 'gambrel'">
            <QuantityField
              label="Break from the sunny wall"
              quantity="length"
              :value="shape.breakAtM"
              :min="0.1"
              :max="shape.widthM / 2 - 0.1"
              :set="v => bench.setShape(withBreak(shape, v, shape.breakHeightM), 'break')"
            />
            <QuantityField
              label="Break height"
              quantity="length"
              :value="shape.breakHeightM"
              :min="shape.kneeWallM"
              :max="shape.ridgeHeightM"
              :set="v => bench.setShape(withBreak(shape, shape.breakAtM, v), 'break')"
            />
          </template>
          <QuantityField
            v-if="shape.form !== 'a-frame'"
            label="Floor below the ground at the sunny wall"
            quantity="length"
            :value="shape.sunkM"
            :min="0"
            :max="shape.kneeWallM"
            hint="No deeper than the knee wall: glass does not stand in earth."
            :set="set('shape.sunkM')"
          />
          <template v-if="shape.form !== 'dome'">
            <QuantityField
              label="Eave over the glazing"
              quantity="length"
              :value="shape.overhangM"
              :min="0"
              :max="RANGES['shape.overhangM'][1]"
              :set="set('shape.overhangM')"
            />
            <QuantityField
              label="Shade strip inside its top"
              quantity="length"
              :value="shape.shadeStripM"
              :min="0"
              :max="RANGES['shape.shadeStripM'][1]"
              :set="set('shape.shadeStripM')"
            />
          </template>
          <template v-if="shape.form === 'lean-to'">
            <QuantityField
              label="House wall, height"
              quantity="length"
              :value="shape.house.heightM"
              :min="shape.ridgeHeightM"
              :max="RANGES['shape.house.heightM'][1]"
              :set="set('shape.house.heightM')"
            />
            <QuantityField
              label="Air in the house"
              quantity="temperature"
              :value="shape.house.airC"
              :min="RANGES['shape.house.airC'][0]"
              :max="RANGES['shape.house.airC'][1]"
              :set="set('shape.house.airC')"
            />
          </template>
          <QuantityField
            v-if="shape.form !== 'a-frame' && shape.form !== 'lean-to'"
            label="Ground outside higher at the back"
            quantity="length"
            :value="shape.riseM"
            :min="-shape.sunkM"
            :max="RANGES['shape.riseM'][1]"
            hint="Negative where it falls that way."
            :set="set('shape.riseM')"
          />
          <QuantityField
            label="Entry lobby, floor"
            quantity="area"
            :value="bench.current.breathe.lobby.areaM2"
            :min="0"
            :max="RANGES['breathe.lobby.areaM2'][1]"
            hint="Keeps cold air out; drawn on the plan."
            :set="set('breathe.lobby.areaM2')"
          />
        </div>
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
            <li v-for="(bed, i) in shape[list.key]" :key="i" class="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
              <QuantityField
                :label="`${list.one} ${i + 1} from the sunny wall`"
                quantity="length"
                :value="bed.atM"
                :min="0"
                :max="20"
                :set="set(`shape.${list.key}.${i}.atM`)"
              />
              <QuantityField
                label="wide"
                quantity="length"
                :value="bed.widthM"
                :min="RANGES['bed.widthM'][0]"
                :max="RANGES['bed.widthM'][1]"
                :set="set(`shape.${list.key}.${i}.widthM`)"
              />
              <QuantityField
                label="high"
                quantity="length"
                :value="bed.heightM"
                :min="0"
                :max="RANGES['bed.heightM'][1]"
                :set="set(`shape.${list.key}.${i}.heightM`)"
              />
              <button
                class="button quiet"
                :aria-label="`Take out ${list.one.toLowerCase()} ${i + 1}`"
                @click="
                  bench.edit([[`shape.${list.key}`, shape[list.key].filter((_, k) => k !== i)]], `remove ${list.key}`)
                "
              >
                ×
              </button>
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
          <h2 class="group-title">
            Mass on the floor
            <span class="hint font-sans font-normal">barrels and the wall’s own masonry are set under Store</span>
          </h2>
          <div v-for="x in mass" :key="x.kind.key" class="mb-1 flex flex-wrap items-end gap-3">
            <button class="button" :data-test="`mass-${x.kind.key}`" @click="toggle(x)">
              {{ there(x) ? `Take the ${x.kind.name.toLowerCase()} out` : `Put in a ${x.kind.name.toLowerCase()}` }}
            </button>
            <template v-if="there(x)">
              <QuantityField
                v-for="[field, words, range] in x.kind.fields"
                :key="field"
                class="w-32"
                :label="`${x.kind.name}, ${words}`"
                quantity="length"
                :value="x.of[field]!"
                :min="RANGES[range][0]"
                :max="RANGES[range][1]"
                :set="set(`store.${x.kind.key}.${field}`)"
              />
            </template>
          </div>
        </div>
        <div class="lg:col-span-2">
          <h2 class="group-title">Paths</h2>
          <div class="grid gap-x-8 lg:grid-cols-2">
            <QuantityField
              label="Paths against the floor"
              quantity="length"
              :value="shape.pathM"
              :min="RANGES['shape.pathM'][0]"
              :max="RANGES['shape.pathM'][1]"
              :slide="0.05"
              hint="Dug lower, cold air drains into them and leaves the beds warmer, and heads have more room. The year takes the air as one, so it does not count this."
              :set="set('shape.pathM')"
            />
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
