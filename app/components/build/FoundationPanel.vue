<script setup lang="ts">
import { patchDesign } from '../../../core/editing'
import { againstFoundation, FOUNDATIONS } from '../../../core/takeoff/foundations'
import { FOUNDATION_CHOICES } from '../../../core/design/fields/build'
import { isMasonry } from '../../../core/frame/spacing'
import { takeoff } from '../../../core/takeoff/takeoff'
import { formatNumber } from '../../../core/units'

/** Which foundation: what each takes, what speaks for it and against it here. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const byRule = computed(() => bench.current.site.survey.frostDepthM)
const frostM = computed(() => byRule.value || (year.view?.frostDepthM ?? 0))
const heavy = computed(() => isMasonry(bench.current.skin.wall))
const rows = computed(() =>
  FOUNDATIONS.map(f => {
    const cost = takeoff(patchDesign(bench.current, [['build.foundation.kind', f.id]]))
      .lines.filter(l => l.part === 'foundation' || l.item === 'Dig for the foundation')
      .reduce((sum, l) => sum + l.cost, 0)
    return {
      ...f,
      name: FOUNDATION_CHOICES.find(c => c.id === f.id)!.name,
      cost,
      against: againstFoundation(f, bench.current, frostM.value, heavy.value),
      chosen: bench.current.build.foundation.kind === f.id,
    }
  }),
)
const choose = (id: string) => bench.edit([['build.foundation.kind', id]], 'foundation')
const currency = computed(() => bench.current.topUp.currency)
</script>

<template>
  <div class="px-4 py-3">
    <p>
      Frost goes <strong class="slab text-2xl" data-test="frost">{{ settings.show(frostM, 'length') }}</strong> down
      here{{ byRule > 0 ? ', by local rule.' : ' in bare ground, by this year’s days of frost.' }}
      <span v-if="byRule === 0" class="hint">
        Snow and grass keep some of it out; the office may ask for more: its rule goes into the ground notes of Site.
      </span>
    </p>
    <div class="mt-1 flex flex-wrap items-end gap-x-4">
      <DesignField path="build.foundation.depthM" class="w-32" />
      <DesignField path="build.foundation.widthM" class="w-32" />
      <DesignField path="build.foundation.apartM" class="w-52" />
      <DesignField path="build.foundation.drain" class="w-52" />
    </div>
    <div class="overflow-x-auto" v-sideways>
      <table class="mt-2 w-full" data-test="foundations">
        <thead class="text-sm">
          <tr>
            <th scope="col" class="text-left font-normal">foundation</th>
            <th scope="col" class="pl-4 text-left font-normal">for it, and against</th>
            <th scope="col" class="pl-4 text-right font-normal">roughly, {{ currency }}</th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="f in rows"
            :key="f.id"
            class="border-t border-line align-top"
            :class="f.chosen ? 'bg-lime/40' : ''"
          >
            <th scope="row" class="py-1 pr-2 text-left">{{ f.name }}</th>
            <td class="py-1 pl-4 text-sm leading-snug">
              {{ f.pros }}.
              <span class="hint block">Against: {{ f.cons }}.</span>
              <span v-for="a in f.against" :key="a" class="block text-clay">Here: {{ a }}.</span>
            </td>
            <td class="py-1 pl-4 text-right tabular-nums">{{ formatNumber(f.cost, 0) }}</td>
            <td class="py-1 pl-3 text-right">
              <button
                class="button"
                :aria-pressed="f.chosen"
                :data-test="`foundation-${f.id.replaceAll(' ', '-')}`"
                @click="choose(f.chosen ? 'undecided' : f.id)"
              >
                {{ f.chosen ? 'chosen' : 'Choose' }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="hint mt-2">
      Loads, anchors against uplift and what the ground bears are for an engineer and the local office to say: nothing
      here works out strength.
    </p>
  </div>
</template>
