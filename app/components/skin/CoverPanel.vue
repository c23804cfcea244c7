<script setup lang="ts">
import { entry, fittedCover, GLAZINGS, NIGHT_COVERS } from '../../../core/catalog'
import { ranAsTold } from '../../../core/study/ran-as'
import { matchMoney } from '../../../core/study/variants'

const bench = useDesign()
const studies = useStudies()
const settings = useSettings()
const cover = computed(() => bench.current.skin.cover)
const kind = computed(() => fittedCover(cover.value))
const currency = computed(() => bench.current.topUp.currency)
const money = (v: number) => `${currency.value} ${Math.round(v / 10) * 10}`
const k = (v: number) => settings.show(v, 'temperatureDifference')
/** The chosen cover, or the one that does most where none is chosen. */
const bare = computed(() => studies.all.covers.points.find(p => p.label === 'none')?.figures)
const covered = computed(() => {
  const points = studies.all.covers.points.filter(p => p.label !== 'none')
  return (
    points.find(p => p.label === cover.value.id) ??
    points.reduce<(typeof points)[number] | null>(
      (b, p) => (!b || p.figures.coldestC > b.figures.coldestC ? p : b),
      null,
    )
  )
})
const rivals = computed(() =>
  studies.all.glazings.points.filter(p => p.across === 1).map(p => ({ id: p.label, figures: p.figures })),
)
const match = computed(() =>
  bare.value && covered.value && rivals.value.length > 1
    ? matchMoney(bare.value, covered.value.figures, rivals.value)
    : null,
)
const name = (id: string) => settings.named(entry(GLAZINGS, id).name)
async function both(): Promise<void> {
  await studies.start('covers')
  if (studies.stale.glazings || studies.all.glazings.points.length === 0) await studies.start('glazings')
}
const busy = computed(() => studies.all.covers.running || studies.all.glazings.running)
function stop(): void {
  studies.cancel('covers')
  studies.cancel('glazings')
}
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 px-4 py-3 md:grid-cols-2 xl:grid-cols-[1fr_1fr_1fr_1.4fr]">
    <div>
      <DesignField
        path="skin.cover.id"
        :hint="
          kind.resistance > 0
            ? `Adds ${settings.show(kind.resistance, 'resistance')}, leaks over ` +
              `${(kind.edgeLeak * 100).toFixed(kind.edgeLeak < 0.03 ? 1 : 0)} % of the glazing at its edges. ` +
              `Source: ${kind.source}.`
            : 'Usually the best money: it works at night only, where the heat goes.'
        "
      />
    </div>
    <CoverFields path="skin.cover" />
    <div>
      <h2 class="group-title">Cover or better glazing?</h2>
      <button v-if="!busy" class="button" data-test="start-match" @click="both">
        {{ match ? 'Work it out again' : 'Set the cover against glazing' }}
      </button>
      <RunAsChoice v-if="!busy" class="mt-1" />
      <p v-else class="flex items-center gap-2">
        <progress
          class="h-2 w-28"
          :value="studies.all.covers.done + studies.all.glazings.done"
          :max="Math.max(1, studies.all.covers.total + studies.all.glazings.total)"
          aria-label="Years worked out"
        />
        <button class="button" @click="stop">Stop</button>
      </p>
      <div
        v-if="match && covered"
        class="mt-1"
        :class="studies.stale.covers || studies.stale.glazings ? 'opacity-50' : ''"
        data-test="match"
      >
        <p>
          <strong>{{ settings.named(entry(NIGHT_COVERS, covered.label).name) }}</strong> for about
          {{ money(match.coverCost) }} lifts the coldest night by <strong>{{ k(match.coverK) }}</strong
          ><template v-if="match.coverKWh >= 1">
            and saves {{ settings.show(match.coverKWh * 3.6e6, 'energy') }} a year</template
          >.
        </p>
        <p v-if="match.glazing">
          The same money in glazing: {{ name(match.glazing.id) }},
          {{ match.glazing.cost > 0 ? `${money(match.glazing.cost)} more` : 'for no more' }}, lifts it by
          <strong>{{ k(match.glazing.liftK) }}</strong
          >.
        </p>
        <p v-else>No better glazing comes for that money.</p>
        <p v-if="match.best && match.best.id !== match.glazing?.id">
          The most that glazing can do: {{ name(match.best.id) }}, {{ money(match.best.cost) }} more,
          {{ k(match.best.liftK) }}.
        </p>
        <p class="hint">
          Rough prices of materials, no work. Each run {{ ranAsTold(studies.all.covers.as, settings.show) }}.
        </p>
      </div>
    </div>
  </div>
</template>
