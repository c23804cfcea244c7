<script setup lang="ts">
import { capital } from '../../../core/text/capital'
import { entry, FINISHES, GLAZINGS, isBlown, NIGHT_COVERS } from '../../../core/catalog'
import type { PartId } from '../../../core/design'
import { cornerAdded, freeOpening, withFront, withoutCorner } from '../../../core/editing'
import { hostsFor, takesWindows } from '../../../core/geometry/let-in'
import { isSlope, madeOf, partName, partsOf } from '../../../core/geometry/parts'
import { canHaveFront, hasFront, makeOutline } from '../../../core/geometry/section'
import { makeBuilding } from '../../../core/geometry/surfaces'
import { OPENING_KINDS, openingKind, openingName } from '../../../core/openings/registry'
import { framedBy } from '../../../core/frame/timber'
import { layersResistance } from '../../../core/materials/assembly'
import { partCost } from '../../../core/takeoff/cost'
import { FILMS } from '../../../core/physics/constants'

/** The parts of the skin, each with its own figures; and the card of one: what it is made of, what is done to it. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const drawing = useDrawing()
const design = computed(() => bench.current)
const outline = computed(() => makeOutline(design.value.shape))
const building = computed(() => makeBuilding(design.value))
const ids = computed(() => partsOf(design.value, outline.value))
const chosen = computed(
  (): PartId =>
    drawing.part && ids.value.includes(drawing.part)
      ? drawing.part
      : ids.value.includes('sunnySlope')
        ? 'sunnySlope'
        : ids.value[0]!,
)
// The part whose card is open stands out on the section, as long as it is open.
onMounted(() => {
  drawing.part = chosen.value
})
onBeforeUnmount(() => {
  drawing.part = null
})

const nameOf = (id: PartId) => partName(id, design.value.shape.form)
const short = (name: string) => name.split(',')[0]!
const part = computed(() => design.value.skin.parts[chosen.value])
const path = computed(() => `skin.parts.${chosen.value}`)
const isEnd = computed(() => chosen.value === 'eastEnd' || chosen.value === 'westEnd')
/** Whether some of it is glazed, and some solid. */
const glazed = computed(
  () => part.value.kind === 'glazed' || ('glazedShare' in part.value && part.value.glazedShare > 0),
)
const solid = computed(() => part.value.kind === 'solid' || ('solidTopM' in part.value && part.value.solidTopM > 0))

const framed = computed(() => framedBy(design.value, building.value.outline))
const rows = computed(() =>
  ids.value.map(id => {
    const made = madeOf(design.value.skin, id)
    const pieces = year.view?.answers.parts.filter(p => p.part === id) ?? []
    const sum = (pick: (p: (typeof pieces)[number]) => number) => pieces.reduce((s, p) => s + pick(p), 0)
    const area = building.value.surfaces.filter(s => s.part === id).reduce((s, k) => s + k.areaM2, 0)
    const cover = made.cover.id === 'none' ? '' : `, ${short(entry(NIGHT_COVERS, made.cover.id).name).toLowerCase()}`
    const facts = pieces.length
      ? [
          `${settings.show(
            sum(p => p.coldNightW),
            'power',
          )} lost on the coldest night`,
          ...(sum(p => p.letInKWh) > 0
            ? [`${settings.show(sum(p => p.letInKWh) * 3.6e6, 'energy')} of sun let in`]
            : []),
        ]
      : []
    return {
      id,
      name: capital(nameOf(id)),
      line:
        made.kind === 'glazed'
          ? `${short(made.glazing.name)}${cover}`
          : `solid, ${settings.show(layersResistance(framed.value(id, made.layers)) + FILMS, 'resistance')}`,
      facts: [settings.show(area, 'area'), ...facts].join(' · '),
    }
  }),
)
/** What is let into the chosen part. */
const letInto = computed(() => {
  const { openings } = design.value.skin
  return openings.flatMap((o, index) =>
    o.part === chosen.value
      ? [{ index, name: openingName(openings, index), line: openingKind(o).line(o, settings.show) }]
      : [],
  )
})
/** The chosen part's own figures. */
const figures = computed(() => year.view?.answers.parts.filter(p => p.part === chosen.value) ?? [])
const cost = computed(() => partCost(design.value, building.value, chosen.value))
const currency = computed(() => design.value.topUp.currency)

/** A choice that may be left to the house. */
const orHouse = (list: readonly { id: string; name: string }[], house: string) => [
  { id: '', name: `as the house: ${list.find(e => e.id === house)?.name ?? house}` },
  ...list,
]
const own = (field: string) => (id: string) => bench.edit([[`${path.value}.${field}`, id || null]])
function ownCover(id: string): string | null {
  const { skin } = design.value
  return bench.edit([[`${path.value}.cover`, id ? { ...(part.value.cover ?? skin.cover), id } : null]])
}
const covers = computed(() => [
  { id: '', name: `as the house: ${entry(NIGHT_COVERS, design.value.skin.cover.id).name}` },
  ...NIGHT_COVERS,
])
const setOwn = (field: 'condition' | 'layers', from: () => unknown) => (on: boolean) =>
  bench.edit([[`${path.value}.${field}`, on ? from() : null]])
const house = computed(() => {
  const made = madeOf(design.value.skin, chosen.value)
  const slope = isSlope(chosen.value)
  return { ...made, usualLayers: slope ? design.value.skin.roof : design.value.skin.wall, slope }
})

/** Tells what was refused where no field stands for it. */
function act(refused: string | null): void {
  if (refused) useNotices().tell('error', 'That can’t be built.', { lines: [refused] })
}
const front = (on: boolean) => act(bench.setShape(withFront(design.value.shape, on), 'front'))
const solidTop = () => act(bench.edit([[`${path.value}.solidTopM`, 0.8]], 'solid top'))
/** What can be let into it; its card opens with the others. */
const lets = computed(() =>
  OPENING_KINDS.filter(
    k =>
      hostsFor(design.value, k).includes(chosen.value) &&
      (k.kind !== 'window' || takesWindows(design.value, chosen.value)),
  ),
)
function letIn(id: string): void {
  const kind = OPENING_KINDS.find(k => k.kind === id)!
  const made = freeOpening(design.value, kind, chosen.value)
  const list = design.value.skin.openings
  if (made?.part !== chosen.value) {
    act('There is no room for it on this part.')
    return
  }
  const refused = bench.edit([['skin.openings', [...list, made]]], `add ${id}`)
  if (refused) act(refused)
  else drawing.press({ kind: 'opening', index: list.length })
}
const corner = computed(() =>
  design.value.shape.form === 'own' && !isEnd.value
    ? design.value.shape.corners.findIndex(c => c.part === chosen.value)
    : -1,
)
const broken = computed(() => (corner.value >= 0 ? cornerAdded(design.value, chosen.value as never) : null))
const mayGo = computed(
  () =>
    corner.value >= 0 &&
    chosen.value !== 'sunnySlope' &&
    corner.value < design.value.shape.corners.length - 1 &&
    design.value.shape.corners.length > 3,
)
function breakPart(): void {
  if (broken.value) act(bench.edit(broken.value, 'add a corner'))
}
function takeCorner(): void {
  act(bench.edit([['shape', withoutCorner(design.value.shape, corner.value)]], 'take a corner out'))
}
/** What a part may have of its own, and gives up to be like the house again. */
const OWN = ['glazing', 'condition', 'cover', 'layers', 'finish'] as const
const special = computed(() => OWN.some(f => part.value[f] !== null))
const asHouse = () =>
  act(
    bench.edit(
      OWN.map(f => [`${path.value}.${f}`, null] as const),
      'part as the house',
    ),
  )
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 px-4 py-3 lg:grid-cols-[minmax(15rem,1fr)_2fr]">
    <div>
      <h2 class="group-title">
        Parts of the skin <span class="hint font-sans font-normal">or press one on the section</span>
      </h2>
      <ul class="grid gap-1" data-test="parts">
        <li
          v-for="r in rows"
          :key="r.id"
          class="border-l-4 pl-2"
          :class="r.id === chosen ? 'border-clay' : 'border-line'"
        >
          <button
            class="w-full cursor-pointer text-left"
            :aria-pressed="r.id === chosen"
            :data-test="`choose-${r.id}`"
            @click="drawing.part = r.id"
          >
            <strong class="link">{{ r.name }}</strong> {{ r.line }}
            <span class="hint block">{{ r.facts }}</span>
          </button>
        </li>
      </ul>
    </div>
    <fieldset class="min-w-0" data-test="part-card">
      <legend class="slab">{{ capital(nameOf(chosen)) }}</legend>
      <div class="mb-2 flex flex-wrap gap-1.5">
        <template v-if="chosen === 'sunnySlope' && canHaveFront(design.shape.form)">
          <button v-if="!hasFront(design.shape)" class="button" data-test="add-front" @click="front(true)">
            Upright front under it
          </button>
          <button v-else class="button" data-test="drop-front" @click="front(false)">Take the front out</button>
        </template>
        <button
          v-if="part.kind === 'glazed' && 'solidTopM' in part && part.solidTopM === 0 && design.shape.form !== 'dome'"
          class="button"
          data-test="add-solid-top"
          @click="solidTop"
        >
          Solid upper stretch
        </button>
        <button v-if="broken" class="button" data-test="add-corner" @click="breakPart">Break it with a corner</button>
        <button v-if="mayGo" class="button" data-test="drop-corner" @click="takeCorner">
          Join it to the next part
        </button>
        <button
          v-for="k in lets"
          :key="k.kind"
          class="button"
          :data-test="`let-${k.kind.replaceAll(' ', '-')}`"
          :aria-label="`Add a ${k.name.toLowerCase()} here`"
          @click="letIn(k.kind)"
        >
          + {{ k.name }}
        </button>
        <button v-if="special" class="button" data-test="as-house" @click="asHouse">All as the house</button>
      </div>
      <p v-if="letInto.length > 0" class="mb-2" data-test="let-into">
        Let into it:
        <template v-for="(o, k) in letInto" :key="o.index"
          >{{ k > 0 ? '; ' : ''
          }}<button
            class="link"
            :data-test="`let-into-${o.index}`"
            @click="drawing.press({ kind: 'opening', index: o.index })"
          >
            {{ o.name }}
          </button>
          <span class="hint">{{ o.line }}</span></template
        >
      </p>
      <div class="grid gap-x-6 gap-y-2 md:grid-cols-2 xl:grid-cols-3">
        <div class="grid content-start gap-2">
          <DesignField :path="`${path}.kind`" />
          <DesignField v-if="isEnd && part.kind === 'solid'" :path="`${path}.glazedShare`" />
          <DesignField
            v-if="!isEnd && part.kind === 'glazed' && design.shape.form !== 'dome'"
            :path="`${path}.solidTopM`"
          />
          <template v-if="design.shape.form === 'dome' && chosen === 'poleSlope' && part.kind === 'solid'">
            <DesignField path="shape.dome.poleSideDeg" />
            <DesignField path="shape.dome.poleSideRings" />
          </template>
          <DesignField v-if="solid" :path="`${path}.outside`" />
        </div>
        <div v-if="glazed" class="grid content-start gap-2">
          <DesignField
            :path="`${path}.glazing`"
            :options="orHouse(GLAZINGS, design.skin.glazing)"
            :set="own('glazing')"
          />
          <SwitchField
            label="Bars, age and dirt of its own"
            :value="part.condition !== null"
            :set="setOwn('condition', () => ({ ...design.skin.condition }))"
          />
          <template v-if="part.condition">
            <DesignField :path="`${path}.condition.frameShare`" none="as is usual" />
            <DesignField :path="`${path}.condition.ageYears`" />
            <DesignField :path="`${path}.condition.dirt`" />
            <DesignField v-if="isBlown(part.glazing ?? design.skin.glazing)" :path="`${path}.condition.blowerW`" />
          </template>
        </div>
        <div v-if="glazed" class="grid content-start gap-2">
          <ChoiceField
            label="Night cover"
            :value="part.cover?.id ?? ''"
            :options="covers"
            :set="(id: string) => ownCover(id)"
          />
          <CoverFields v-if="part.cover" :path="`${path}.cover`" />
        </div>
        <div v-if="solid" class="grid content-start gap-2 md:col-span-2">
          <DesignField
            :path="`${path}.finish`"
            :options="orHouse(FINISHES, house.slope ? design.skin.finish.roof : design.skin.finish.wall)"
            :set="own('finish')"
          />
          <SwitchField
            label="Layers of its own"
            :value="part.layers !== null"
            :set="setOwn('layers', () => house.usualLayers.map(l => ({ ...l })))"
          />
          <LayersField
            v-if="part.layers"
            title="Layers, outside to inside"
            :path="`${path}.layers`"
            :layers="part.layers"
          />
          <p v-else class="hint">
            Built like the {{ house.slope ? 'solid roof' : 'walls' }} of the house, under “Walls and roof”.
          </p>
        </div>
      </div>
      <ul class="hint mt-2" data-test="part-figures">
        <li v-for="p in figures" :key="p.id">
          <strong>{{ capital(p.id) }}</strong
          >: {{ settings.show(p.areaM2, 'area')
          }}<template v-if="p.uDay !== null"
            >; U {{ settings.show(p.uDay, 'transmittance') }} by day{{
              p.uNight !== p.uDay ? `, ${settings.show(p.uNight!, 'transmittance')} under its cover` : ''
            }}</template
          >; {{ settings.show(p.coldNightW, 'power') }} lost on the coldest night,
          {{ settings.show(p.lostKWh * 3.6e6, 'energy') }} in the year{{
            p.letInKWh > 0
              ? `; lets in ${settings.show(p.letInKWh * 3.6e6, 'energy')} of sun`
              : `; takes in ${settings.show(p.takenInKWh * 3.6e6, 'energy')} of sun inside`
          }}.
        </li>
        <li v-if="cost > 0">
          Sheets, layers and cover at this design’s prices, nothing bought over: {{ currency }}
          {{ Math.round(cost / 10) * 10 }}.
        </li>
      </ul>
    </fieldset>
  </div>
</template>
