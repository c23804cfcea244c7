<script setup lang="ts">
import { FILMS } from '../../../core/physics/constants'
import { MATERIALS } from '../../../core/catalog'
import { rangeOf, type Layer, type OwnMaterial } from '../../../core/design'
import { layersAsBuilt } from '../../../core/frame/timber'
import { dampFaults, layersResistance, mainInsulation, materialOf } from '../../../core/materials/assembly'
import { layersPrice } from '../../../core/takeoff/cost'
import { pricesOf } from '../../../core/takeoff/price-book'

const props = defineProps<{
  title: string
  path: string
  layers: readonly Layer[]
  /** A floor: from below upwards, and it may have no layers at all. */
  onGround?: boolean
}>()
const bench = useDesign()
const settings = useSettings()

const [low, high] = rangeOf('skin.wall.0.thicknessM')
/** With the frame's timber through the layer that it stands in. */
const built = computed(() => (props.onGround ? props.layers : layersAsBuilt(bench.current, props.path, props.layers)))
const main = computed(() => mainInsulation(props.layers))
const whole = computed(() => layersResistance(built.value) + FILMS)
/** Of a square metre, at the design's prices. */
const price = computed(() => layersPrice(props.layers, pricesOf(bench.current)))
const resistance = computed(() => settings.show(whole.value, 'resistance'))
const damp = computed(() => (props.onGround ? [] : dampFaults(props.layers)))
const unframed = computed(
  () => layersResistance(props.layers.map(l => ({ ...l, framing: 0 }))) - layersResistance(built.value),
)
const total = computed(() =>
  Math.max(
    0.001,
    props.layers.reduce((s, l) => s + l.thicknessM, 0),
  ),
)
const FILL: Record<string, string> = {
  'insulation': 'var(--sun-fill)',
  'timber and board': 'var(--wall)',
  'masonry': 'var(--masonry)',
  'ground': 'var(--earth)',
}
const name = (l: Layer) => (l.material === 'own' ? (l.own?.name ?? 'own') : materialOf({ material: l.material }).name)

const put = (i: number, layer: Layer, kind: string) =>
  bench.edit([[props.path, props.layers.map((l, k) => (k === i ? layer : l))]], kind)
const START: OwnMaterial = {
  name: 'Own material',
  conductivity: 0.1,
  density: 300,
  specificHeat: 1400,
  solarAbsorptance: 0.6,
}
function setMaterial(i: number, material: string): void {
  const { thicknessM, framing } = props.layers[i]!
  const given = framing === undefined ? {} : { framing }
  put(i, { material, thicknessM, ...given, ...(material === 'own' ? { own: START } : {}) }, `${props.path} material`)
}
function setFraming(i: number, share: number): string | null {
  return put(i, { ...props.layers[i]!, framing: share }, `${props.path} framing`)
}
/** Back to what follows from the frame. */
function clearFraming(i: number): string | null {
  const layer = { ...props.layers[i]! }
  delete layer.framing
  return put(i, layer, `${props.path} framing`)
}
const FRAME = { timber: 'frame', metal: 'as metal' } as const
/** Left empty, the layer that the frame stands in has as much timber as the frame. */
const fromFrame = (i: number) =>
  i === main.value
    ? {
        none: `${FRAME[bench.current.build.frame.made]}: ${settings.show(built.value[i]!.framing ?? 0, 'share')}`,
        clear: () => clearFraming(i),
      }
    : {}
function setName(i: number, name: string): void {
  const l = props.layers[i]!
  if (l.own) put(i, { ...l, own: { ...l.own, name } }, `${props.path} own`)
}
const OWN_FIELDS = ['conductivity', 'density', 'specificHeat', 'solarAbsorptance'] as const
function add(): void {
  const made = { material: props.onGround ? 'gravel' : 'eps', thicknessM: 0.05 }
  bench.edit([[props.path, [...props.layers, made]]], `${props.path} add`)
}
function remove(i: number): void {
  bench.edit([[props.path, props.layers.filter((_, k) => k !== i)]], `${props.path} remove`)
}
const framable = (l: Layer) => l.material === 'own' || materialOf({ material: l.material }).group === 'insulation'
</script>

<template>
  <fieldset class="min-w-0">
    <legend class="group-title">
      {{ title }}
      <span class="hint font-sans font-normal">{{
        onGround && layers.length === 0 ? 'bare earth' : `with its air films ${resistance}`
      }}</span>
    </legend>
    <div class="grid grid-cols-[5.5rem_1fr] gap-3">
      <!-- The wall cut through, outside on the left, to its thickness. -->
      <svg
        width="88"
        height="96"
        role="img"
        :aria-label="
          `${title}: ` + `${layers.map(l => `${name(l)} ${settings.show(l.thicknessM, 'thickness')}`).join(', ')}`
        "
        data-test="layers-drawn"
      >
        <g v-for="(l, i) in built" :key="i">
          <rect
            :x="(layers.slice(0, i).reduce((s, k) => s + k.thicknessM, 0) / total) * 86 + 1"
            y="1"
            :width="Math.max(1, (l.thicknessM / total) * 86)"
            height="80"
            :fill="FILL[materialOf(l).group]"
            stroke="var(--ink)"
            stroke-width="1"
          >
            <title>{{ name(l) }}</title>
          </rect>
          <rect
            v-if="l.framing"
            :x="(layers.slice(0, i).reduce((s, k) => s + k.thicknessM, 0) / total) * 86 + 1"
            :y="80 - 80 * l.framing"
            :width="(l.thicknessM / total) * 86"
            :height="80 * l.framing"
            fill="url(#hatch)"
            stroke="var(--ink)"
            stroke-width="0.7"
          />
        </g>
        <text x="1" y="94" class="end">{{ onGround ? 'below' : 'out' }}</text>
        <text x="87" y="94" text-anchor="end" class="end">{{ onGround ? 'above' : 'in' }}</text>
      </svg>
      <ol class="space-y-1">
        <li v-for="(layer, i) in layers" :key="i">
          <div class="layer-row grid items-start gap-2" :class="{ 'on-ground': onGround }">
            <select
              class="input"
              :value="layer.material"
              :aria-label="`${title}, layer ${i + 1} from ${onGround ? 'below' : 'outside'}, material`"
              @change="setMaterial(i, ($event.target as HTMLSelectElement).value)"
            >
              <option v-for="m in MATERIALS" :key="m.id" :value="m.id">
                {{ m.name }}
              </option>
              <option value="own">A material of your own …</option>
            </select>
            <QuantityField
              class="hide-label"
              :label="`${title}, ${name(layer)}, thickness`"
              quantity="thickness"
              :value="layer.thicknessM"
              :min="low"
              :max="high"
              :other="{ quantity: 'resistance', toOwn: r => r * materialOf(layer).conductivity }"
              :set="v => bench.edit([[`${path}.${i}.thicknessM`, v]])"
            />
            <QuantityField
              v-if="framable(layer) && !onGround"
              class="hide-label"
              :label="`${title}, ${name(layer)}, share of timber framing`"
              quantity="share"
              v-bind="fromFrame(i)"
              :value="layer.framing ?? (i === main ? null : 0)"
              :min="0"
              :max="rangeOf('skin.wall.0.framing')[1]"
              :set="v => setFraming(i, v)"
            />
            <span v-else-if="!onGround" />
            <button
              class="button quiet"
              :disabled="layers.length === 1 && !onGround"
              :aria-label="`Take out layer ${i + 1}`"
              @click="remove(i)"
            >
              ×
            </button>
          </div>
          <div v-if="layer.own" class="mt-1 grid grid-cols-2 gap-x-2 gap-y-1" data-test="own-material">
            <label class="col-span-2"
              >Name
              <input
                class="input"
                :value="layer.own.name"
                @change="setName(i, ($event.target as HTMLInputElement).value)"
            /></label>
            <DesignField v-for="field in OWN_FIELDS" :key="field" :path="`${path}.${i}.own.${field}`" />
          </div>
        </li>
      </ol>
    </div>
    <p v-if="bench.refusedPath.startsWith(path)" class="fault" role="alert">
      {{ bench.refusal }}
    </p>
    <p v-for="d in damp" :key="d.text" class="damp" data-test="damp">Layer {{ d.layer + 1 }}. {{ d.text }}</p>
    <p class="hint">
      <template v-if="!onGround"
        >Columns: material, thickness (or its R, as R20), share of timber that runs through it.</template
      ><template v-if="unframed > 0.005"> Framing takes {{ settings.show(unframed, 'resistance') }} off. </template>
      About {{ bench.current.topUp.currency }} {{ settings.show(price, 'arealPrice') }} at this design’s prices.
    </p>
    <button v-if="layers.length < 8" class="button mt-1" @click="add">
      {{ onGround ? 'Add a layer on top' : 'Add a layer inside' }}
    </button>
  </fieldset>
</template>

<style scoped>
.layer-row {
  grid-template-columns: 1fr 6.5rem 6.75rem auto;
}
.layer-row.on-ground {
  grid-template-columns: 1fr 6.5rem auto;
}
@media (max-width: 560px) {
  /* The material's name has a line to itself. */
  .layer-row {
    grid-template-columns: 1fr 1fr auto;
  }
  .layer-row > :first-child {
    grid-column: 1 / -1;
  }
}
.hide-label :deep(label) {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
.end {
  font-size: 11.5px;
  fill: var(--soft);
}
.damp {
  background: var(--warn);
  border-left: 4px solid var(--clay);
  padding: 0.2rem 0.5rem;
  font-size: 0.9rem;
  margin-top: 0.25rem;
}
</style>
