<script setup lang="ts">
import type { SpellDay } from '../../../core/study/spell'
import { leafLow, type Tried } from '~/stores/spell'

/** How the house stands dull days and then clear cold nights, what fails first, and what would have saved it. */
const bench = useDesign()
const settings = useSettings()
const spell = useSpell()
const t = (c: number) => settings.show(c, 'temperature')
const ROWS = [
  { id: 'outside', name: 'outside, lowest', pick: (d: SpellDay) => d.outsideMinC },
  { id: 'inside', name: 'inside, lowest', pick: (d: SpellDay) => d.insideMinC },
  { id: 'leaf', name: 'topmost leaf, lowest', pick: (d: SpellDay) => d.leafMinC },
  { id: 'soil', name: 'coldest soil', pick: (d: SpellDay) => d.soilMinC },
  { id: 'water', name: 'water, mean', pick: (d: SpellDay) => d.waterC },
] as const
/** Where what fails is seen. */
const ROW_OF = { leaf: 'leaf', fish: 'water', soil: 'soil', water: 'water' } as const
watch(
  () => bench.current.site,
  () => void spell.begin().catch((error: Error) => (spell.state.failure = error.message)),
  { immediate: true },
)
const ofWinters = computed(() => {
  const count = spell.usual?.winters ?? 0
  return count === 1 ? 'the lowest night of the one winter measured' : `the lowest night of ${count} winters`
})
const days = computed(() => spell.answer?.days ?? [])
const isDull = (i: number) => i < (spell.answer?.spell.dullDays ?? 0)
const failed = (d: SpellDay, row: string) =>
  spell.answer?.firstFailure?.day === d.day && ROW_OF[spell.answer.firstFailure.what] === row
const saves = (x: Tried) => x.answer.firstFailure === null
const gain = (x: Tried) => settings.show(leafLow(x.answer) - leafLow(spell.answer!), 'temperatureDifference')
const lay = (x: Tried) => bench.replace(x.design, `move ${x.move.id}`)
const set = (name: 'dullDays' | 'clearDays' | 'lowC') => (v: number) => {
  spell.asked[name] = v
  return null
}
const laid = computed(() => bench.current.site.spell !== null)
const layIn = () => bench.edit([['site.spell', laid.value ? null : { ...spell.answer!.spell }]], 'spell')
</script>

<template>
  <div class="px-4 py-3">
    <h2 class="group-title">
      Cold spell
      <span class="hint font-sans font-normal">dull days that empty the store, then clear nights</span>
    </h2>
    <p v-if="!spell.usual" class="hint" role="status">Looking at the winters of this place …</p>
    <div v-else class="flex flex-wrap items-end gap-x-6 gap-y-1">
      <QuantityField
        label="Dull days"
        quantity="count"
        :value="spell.asked.dullDays"
        :set="set('dullDays')"
        :min="0"
        :max="14"
      />
      <QuantityField
        label="Clear days"
        quantity="count"
        :value="spell.asked.clearDays"
        :set="set('clearDays')"
        :min="1"
        :max="14"
      />
      <QuantityField
        label="Last night falls to"
        quantity="temperature"
        :value="spell.asked.lowC"
        :set="set('lowC')"
        :min="-60"
        :max="30"
      />
      <div class="flex items-center gap-2 pb-1">
        <template v-if="spell.state.running">
          <progress
            class="h-2 w-24"
            :value="spell.state.done"
            :max="spell.state.total"
            :aria-label="`${spell.state.done} of ${spell.state.total} years`"
          />
          <button class="button" data-test="stop-spell" @click="spell.cancel()">Stop</button>
        </template>
        <template v-else>
          <button v-uses-fields class="button" data-test="start-spell" @click="spell.start()">
            {{ spell.answer ? 'Try it again' : 'Try this house' }}
          </button>
          <RunAsChoice />
        </template>
      </div>
    </div>
    <p v-if="spell.usual" class="hint" data-test="usual-spell">
      As hard as this climate knows it: {{ ofWinters }}, {{ t(spell.usual.spell.lowC) }}, after as many dull days in a
      row as a usual winter brings.
    </p>
    <p v-if="spell.state.failure" class="fault" role="alert">{{ spell.state.failure }}</p>
    <div v-if="spell.answer" :class="spell.stale ? 'opacity-60' : ''" data-test="spell-answer">
      <p class="my-1.5" role="status">
        <template v-if="spell.answer.firstFailure">
          <strong>{{ spell.answer.firstFailure.words }}</strong
          >, {{ t(spell.answer.firstFailure.belowC) }}, first on {{ spell.answer.firstFailure.date }} at
          {{ spell.answer.firstFailure.hour }} o’clock.
        </template>
        <strong v-else>All stood it: leaves, soil, water and what lives in it.</strong>
        <span v-if="spell.stale" class="hint"> The design, or how it is run, has changed since.</span>
      </p>
      <div class="overflow-x-auto" v-sideways>
        <table class="spell">
          <thead>
            <tr>
              <td></td>
              <th v-for="(d, i) in days" :key="d.day" scope="col" :class="isDull(i) ? 'dull' : 'clear'">
                {{ d.date }}<br /><span class="hint">{{ isDull(i) ? 'dull' : 'clear' }}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in ROWS" :key="row.id">
              <th scope="row">{{ row.name }}</th>
              <td v-for="d in days" :key="d.day" :class="{ failed: failed(d, row.id) }">
                {{ row.pick(d) === null ? '–' : settings.show(row.pick(d)!, 'temperature', { unit: false }) }}
                <span v-if="failed(d, row.id)" class="font-semibold"> fails</span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="hint">
        {{ settings.units === 'us' ? '°F' : '°C' }}.
        <button class="button quiet" data-test="lay-spell" @click="layIn">
          {{ laid ? 'Take the spell out of the year' : 'Lay it into the year, to see it on the drawing' }}
        </button>
      </p>
      <template v-if="spell.tried.length > 0">
        <h3 class="group-title mt-2">What would have saved it</h3>
        <ul class="grid gap-1" data-test="spell-moves">
          <li v-for="x in spell.tried" :key="x.move.id" class="flex flex-wrap items-baseline gap-x-3">
            <button class="button" :data-test="`lay-${x.move.id}`" @click="lay(x)">Lay it on</button>
            <span class="min-w-0 flex-1">{{ x.words }}</span>
            <span class="tabular-nums">
              {{ saves(x) ? 'stands it' : 'fails too' }}: leaves {{ t(leafLow(x.answer)) }} at their coldest,
              {{ gain(x) }} more
            </span>
          </li>
        </ul>
      </template>
    </div>
  </div>
</template>

<style scoped>
.spell {
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
}
.spell th,
.spell td {
  padding: 0.1rem 0.5rem;
  text-align: right;
  font-weight: 400;
  white-space: nowrap;
  border-bottom: 1px solid var(--line);
}
.spell th[scope='row'] {
  text-align: left;
  padding-left: 0;
}
.spell th.dull {
  background: color-mix(in srgb, var(--soft) 16%, transparent);
}
.spell th.clear {
  background: color-mix(in srgb, var(--straw) 22%, transparent);
}
.failed {
  background: color-mix(in srgb, var(--clay) 24%, transparent);
}
</style>
