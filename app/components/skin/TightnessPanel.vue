<script setup lang="ts">
import { GAPS, LEAKAGE_CLASSES, entry } from '../../../core/catalog'
import { ach50OfAreaM2 } from '../../../core/air/leakage'
import { rangeOf } from '../../../core/design'
import { makeBuilding } from '../../../core/geometry/surfaces'
import { ach50Of } from '../../../core/air/ach50'
import { fromShown } from '../../../core/units'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const breathe = computed(() => bench.current.breathe)
const OPTIONS = [...LEAKAGE_CLASSES, { id: 'measured', name: 'Measured, or counted on a walk round' }] as const
const amount = (kind: string) => breathe.value.gaps.find(g => g.kind === kind)?.amount ?? 0
function setAmount(kind: string, value: number): string | null {
  const others = breathe.value.gaps.filter(g => g.kind !== kind)
  return bench.edit([['breathe.gaps', value > 0 ? [...others, { kind, amount: value }] : others]], `gaps ${kind}`)
}
const areaM2 = computed(() => breathe.value.gaps.reduce((s, g) => s + g.amount * entry(GAPS, g.kind).areaM2, 0))
const found = computed(() =>
  Math.min(
    rangeOf('breathe.ach50')[1],
    Math.max(
      rangeOf('breathe.ach50')[0],
      Math.round(ach50OfAreaM2(areaM2.value, makeBuilding(bench.current).volumeM3) * 10) / 10,
    ),
  ),
)
const take = () =>
  bench.edit(
    [
      ['breathe.leakage', 'measured'],
      ['breathe.ach50', found.value],
    ],
    'take gaps',
  )
/** The hole that a gap is: each, or by the unit of length that the reader measures in. */
function each({ unit, areaM2 }: (typeof GAPS)[number]): string {
  const hole = unit === 'm' ? areaM2 * fromShown(1, 'length', settings.units) : areaM2
  const shown = settings.show(hole, 'gapArea', { decimals: hole < 1e-4 ? 2 : 1 })
  return `${shown} each ${unit !== 'm' ? 'one' : settings.units === 'metric' ? 'metre' : 'foot'}`
}
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 px-4 py-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,2fr)]">
    <div>
      <DesignField path="breathe.leakage" :options="OPTIONS" />
      <DesignField path="breathe.ach50" v-if="breathe.leakage === 'measured'" />
      <p class="mt-1">
        {{ ach50Of(breathe).toFixed(0) }} air changes an hour under 50 Pa.
        <template v-if="year.view">
          On the coldest night air leaks take {{ settings.show(year.view.answers.ua.infiltrationWK, 'conductance') }}:
          so much for each degree between inside and outside.
        </template>
      </p>
    </div>
    <div>
      <h2 class="group-title">
        A walk round with a candle <span class="hint font-sans font-normal">what you find, counted or measured</span>
      </h2>
      <div class="grid gap-x-4 gap-y-1 sm:grid-cols-2 xl:grid-cols-3">
        <QuantityField
          v-for="g in GAPS"
          :key="g.id"
          :label="g.name"
          :quantity="g.unit === 'm' ? 'length' : 'count'"
          :value="amount(g.id)"
          :min="0"
          :max="g.unit === 'm' ? 1000 : 100"
          :hint="each(g)"
          :set="v => setAmount(g.id, v)"
        />
      </div>
      <p class="mt-1" data-test="walk-round">
        <template v-if="areaM2 > 0">
          Together a hole of {{ settings.show(areaM2, 'gapArea', { decimals: 0 }) }}: about {{ found.toFixed(0) }} air
          changes an hour under 50 Pa.
          <button v-uses-fields class="button" data-test="take-gaps" @click="take">Take that</button>
        </template>
        <template v-else>
          Nothing is counted yet. Areas are typical, from handbook tables; a fan test measures better.
        </template>
      </p>
      <p class="hint">Areas at 4 Pa. Source: {{ GAPS[0]!.source }}.</p>
    </div>
  </div>
</template>
