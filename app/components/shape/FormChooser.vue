<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { FORMS, type Design, type Form } from '../../../core/design'
import { stretches } from '../../../core/geometry/parts'
import { makeOutline, type Outline } from '../../../core/geometry/section'
import { ranAsTold } from '../../../core/study/ran-as'
import { glazedM2 } from '../../../core/sums/book/entry'
import { makeBuilding } from '../../../core/geometry/surfaces'
import { builtInForm, inForm } from '../../../core/study/in-form'

/** Every form drawn to one scale on the floor area of the design, with what the year says of it. */
const bench = useDesign()
const studies = useStudies()
const settings = useSettings()
const WORDS: Record<Form, [name: string, good: string, bad: string]> = {
  'shed': ['Shed', 'simple, cheap, good all year', 'a steep one has a tall back wall'],
  'gable': [
    'Gable',
    'common, bright in summer',
    'glazed on both sides it loses most heat; the figure is for the pole side as it is now',
  ],
  'saltbox': ['Saltbox', 'long sunny slope, short insulated back', 'odd angles cost more'],
  'gambrel': ['Gambrel', 'headroom without height', 'more joints'],
  'a-frame': ['A-frame', 'the cheapest frame', 'no headroom at the sides, heat gathers in the peak'],
  'arch': ['Arch', 'efficient, and blankets roll well on it', 'curved members, flexible glazing'],
  'hoop': ['Hoop', 'cheap and quick to build, bears wind', 'film on both sides loses most heat'],
  'lean-to': ['Lean-to', 'one wall is a warm house', 'damp and fire on the house’s side'],
  'dome': ['Dome', 'bears wind and snow, even light', 'cutting, sealing, no straight walls'],
  'own': ['Own', 'every corner where you drag it', 'odd angles cost more'],
}
const shape = computed(() => bench.current.shape)
/** The design in another form, as it is drawn here and as it is taken; null where none can be built. */
function inOther(form: Form, make = inForm): Design | null {
  const { trail, untouched } = bench.formTrail()
  return make(bench.current, form, trail, untouched)
}
/** What the year says of a form, and its glazing. */
function figuresOf(form: Form) {
  const point = studies.all.forms.points.find(p => p.label === form)
  if (!point) return undefined
  const building = makeBuilding(point.design)
  return { ...point.figures, glazedM2: glazedM2(building), bedsM2: building.bedAreaM2 }
}
const options = computed(() =>
  FORMS.map(form => {
    const own = inOther(form)
    return { form, own, outline: own ? makeOutline(own.shape) : null, figures: figuresOf(form) }
  }),
)
/** One scale for all, so that a tall form looks tall. */
const ppm = computed(() =>
  Math.min(
    104 / Math.max(...options.value.map(o => o.outline?.widthM ?? 1)),
    62 / Math.max(...options.value.map(o => o.outline?.ridgeHeightM ?? 1)),
  ),
)
const path = (o: Outline) =>
  `M${o.corners.map(p => `${(6 + p.x * ppm.value).toFixed(1)} ${(68 - p.z * ppm.value).toFixed(1)}`).join(' L')} Z`
const glass = (design: Design, o: Outline) =>
  stretches(design, o)
    .filter(e => e.glazed)
    .map(e => `M${6 + e.a.x * ppm.value} ${68 - e.a.z * ppm.value} L${6 + e.b.x * ppm.value} ${68 - e.b.z * ppm.value}`)
    .join(' ')
const best = computed(() => {
  const known = options.value.filter(o => o.figures)
  const top = (pick: (f: NonNullable<(typeof known)[number]['figures']>) => number) =>
    new Set(known.map(o => pick(o.figures!))).size > 1
      ? known.reduce((b, o) => (pick(o.figures!) > pick(b.figures!) ? o : b)).form
      : null
  return {
    cold: top(f => f.coldestC),
    light: top(f => f.winterDli),
    cost: top(f => -f.cost),
    heat: top(f => -f.heatKWh),
  }
})
const floorM2 = computed(() => makeBuilding(bench.current).floorAreaM2)
/** Its figures are those of the house as it stands. */
const isOwn = (form: Form) => form === shape.value.form && studies.all.forms.as === 'stands' && !studies.stale.forms
const told = useToldFigures()
</script>

<template>
  <div>
    <StudyBar kind="forms" ask="Work out the year of each form" />
    <RadioGroup
      as="div"
      :model-value="shape.form"
      @update:model-value="(form: Form) => bench.takeForm(inOther(form, builtInForm))"
    >
      <RadioGroupLabel as="h2" class="group-title">
        Form
        <span class="hint font-sans font-normal">
          each on your floor of {{ settings.show(floorM2, 'area') }}, with all of yours that fits; the sunny side is on
          the left
        </span>
      </RadioGroupLabel>
      <div class="grid grid-cols-2 gap-1.5 sm:grid-cols-4">
        <RadioGroupOption
          v-for="o in options"
          :key="o.form"
          v-slot="{ checked }"
          :value="o.form"
          :disabled="!o.own"
          as="template"
        >
          <div
            class="rounded border p-1.5 text-sm"
            :class="[
              checked ? 'border-2 border-clay bg-paper' : 'border-line bg-paper',
              o.own ? 'cursor-pointer' : 'opacity-50',
            ]"
            :data-test="`form-${o.form}`"
          >
            <p class="flex items-baseline justify-between font-semibold">
              {{ WORDS[o.form][0] }} <span v-if="checked" class="hint font-normal">chosen</span>
            </p>
            <svg v-if="o.outline" width="116" height="72" aria-hidden="true">
              <path
                :d="path(o.outline)"
                fill="var(--lime)"
                stroke="var(--ink)"
                stroke-width="2"
                stroke-linejoin="round"
              />
              <path :d="glass(o.own!, o.outline)" fill="none" stroke="var(--glass)" stroke-width="3.5" />
              <line x1="0" x2="116" y1="69" y2="69" stroke="var(--earth-line)" stroke-width="2" />
            </svg>
            <dl v-if="o.figures" class="figures" :class="studies.stale.forms ? 'opacity-50' : ''">
              <dt>coldest</dt>
              <dd :class="best.cold === o.form ? 'best' : ''" :data-figure="isOwn(o.form) ? 'coldest' : null">
                {{ told('coldest', o.figures) }}
              </dd>
              <dt>heat</dt>
              <dd :class="best.heat === o.form ? 'best' : ''" :data-figure="isOwn(o.form) ? 'heat' : null">
                {{ told('heat', o.figures) }}
              </dd>
              <dt>light</dt>
              <dd :class="best.light === o.form ? 'best' : ''" :data-figure="isOwn(o.form) ? 'winterLight' : null">
                {{ told('winterLight', o.figures) }}
              </dd>
              <dt>glazed</dt>
              <dd>{{ settings.show(o.figures.glazedM2, 'area') }}</dd>
              <dt>beds</dt>
              <dd>{{ settings.show(o.figures.bedsM2, 'area') }}</dd>
              <dt>cost</dt>
              <dd :class="best.cost === o.form ? 'best' : ''" :data-figure="isOwn(o.form) ? 'cost' : null">
                {{ told('cost', o.figures) }}
              </dd>
              <dt>a year</dt>
              <dd :data-figure="isOwn(o.form) ? 'aYear' : null">
                {{ told('aYear', o.figures) }}
              </dd>
            </dl>
            <p class="hint leading-tight">
              {{ o.own ? `+ ${WORDS[o.form][1]}` : 'does not stand on this floor' }}<br />
              <template v-if="o.own"> − {{ WORDS[o.form][2] }} </template>
            </p>
          </div>
        </RadioGroupOption>
      </div>
    </RadioGroup>
    <p v-if="studies.all.forms.points.length > 0" class="hint">
      Each run {{ ranAsTold(studies.all.forms.as, settings.show) }}: coldest night; heat that is bought; light at the
      beds in the winter half, mol/m² a day; cost of all that the list buys, and what running it buys in a year. ★ marks
      the best.
    </p>
  </div>
</template>

<style scoped>
.figures {
  display: grid;
  grid-template-columns: auto 1fr;
  column-gap: 0.5rem;
  font-size: 0.87rem;
}
.figures dd {
  text-align: right;
  white-space: nowrap;
}
.figures .best {
  font-weight: 700;
  color: var(--moss);
}
.figures .best::before {
  content: '★ ';
}
</style>
