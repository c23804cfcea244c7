<script setup lang="ts">
import { breathing } from '../../../core/advice/cautions'
import { VENT_RULE } from '../../../core/sums/book/rules'
import { ach50Of } from '../../../core/air/ach50'

const TABS = [
  { id: 'openings', name: 'Openings' },
  { id: 'flows', name: 'Flow' },
  { id: 'curve', name: 'How much' },
  { id: 'fans', name: 'Fans' },
  { id: 'people', name: 'People' },
  { id: 'habits', name: 'By season' },
  { id: 'damp', name: 'Damp' },
  { id: 'wind', name: 'Wind and tightness' },
  { id: 'controls', name: 'Control sheet' },
  { id: 'sums', name: 'Rules and sums' },
] as const
const bench = useDesign()
const drawing = useDrawing()
const tab = ref(0)
watch(
  () => drawing.pressed,
  thing => {
    if (thing?.kind === 'opening') tab.value = 0
  },
)
const settings = useSettings()
const year = useYear()
const breathe = computed(() => bench.current.breathe)
const floor = computed(() => bench.current.shape.widthM * bench.current.shape.lengthM)
const free = computed(() => breathing(bench.current).freeM2)
const share = computed(() => Math.round((free.value / floor.value) * 100))
/** The rule asks for as much low and again high. */
const marks = computed(() =>
  (['least', 'most'] as const).map(k => ({ at: 2 * VENT_RULE[k] * floor.value, text: `rule’s ${k}` })),
)
const POINTS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west']
const WINDS = computed(() => {
  const own = bench.current.site.windFromDeg
  return [
    { id: '', name: 'not known' },
    ...POINTS.map((name, i) => ({ id: String(i * 45), name })),
    ...(own !== null && own % 45 !== 0 ? [{ id: String(own), name: `${own}°` }] : []),
  ]
})
const hours = computed(() => year.view?.answers.hoursVented ?? 0)
</script>

<template>
  <StepTabs v-model="tab" :tabs="TABS" label="Parts of breathing">
    <template #openings>
      <div class="px-4 py-3">
        <OpeningList />
        <p class="hint mt-1" data-test="breathing">
          All that opens: {{ settings.show(free, 'area') }} free, {{ share }} % of the floor; rule: 15 to 25 % each, low
          and high. Open in {{ hours }} hours of the year.
        </p>
      </div>
    </template>
    <template #flows>
      <FlowPanel />
    </template>
    <template #curve>
      <div class="px-4 py-3">
        <h2 class="group-title">
          More or less vent
          <span class="hint font-sans font-normal"
            >vents, louvres and roll-up sides by one share; doors and windows stay</span
          >
        </h2>
        <AmountCurve
          kind="vents"
          ask="Work out smaller and larger vents"
          quantity="area"
          :shows="['hot', 'cold', 'damp']"
          :now="free"
          :marks="marks"
          @take="bench.replace($event.design, 'take vents')"
        />
      </div>
    </template>
    <template #fans>
      <div class="px-4 py-3">
        <FanList />
      </div>
    </template>
    <template #people>
      <PeoplePanel />
    </template>
    <template #habits>
      <HabitsPanel />
    </template>
    <template #damp>
      <DampPanel />
    </template>
    <template #wind>
      <div class="grid gap-x-8 px-4 py-3 lg:grid-cols-2">
        <div>
          <h2 class="group-title">Wind</h2>
          <ChoiceField
            label="Mostly from"
            :value="String(bench.current.site.windFromDeg ?? '')"
            :options="WINDS"
            hint="Openings on its side take air in, those on the others let it out."
            :set="(v: string) => bench.edit([['site.windFromDeg', v === '' ? null : Number(v)]])"
          />
          <DesignField path="site.shelter" />
        </div>
        <div>
          <h2 class="group-title">Tightness</h2>
          <p>{{ ach50Of(breathe).toFixed(0) }} air changes an hour under 50 Pa: set under Skin, Tightness.</p>
          <p v-if="year.view" class="hint">
            On the coldest night air leaks take {{ settings.show(year.view.answers.ua.infiltrationWK, 'conductance') }}:
            so much for each degree between inside and outside.
          </p>
        </div>
      </div>
    </template>
    <template #controls>
      <ControlSheet />
    </template>
    <template #sums>
      <SumBook step="breathe" />
    </template>
  </StepTabs>
</template>
