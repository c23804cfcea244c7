<script setup lang="ts">
import { houseFigure, type HouseFigureId } from '../../../core/study/house-figures'
import type { Brief } from '../../../core/study/brief'

/** Houses under each other, in the figures that a table asks for: the house as it stands among them. */
export interface BriefRow {
  id: string
  words: string
  brief: Brief
  /** The house on the bench, and whether this is its score. */
  own?: boolean
  isScore?: boolean
}
defineProps<{ figures: readonly HouseFigureId[]; rows: readonly BriefRow[]; stale: boolean }>()
const told = useToldFigures()
</script>

<template>
  <div v-sideways class="overflow-x-auto">
    <table class="text-sm tabular-nums" :class="stale ? 'opacity-60' : ''">
      <thead>
        <tr class="text-right">
          <td></td>
          <th v-for="id in figures" :key="id" scope="col" class="pl-4 font-normal">{{ houseFigure(id).name }}</th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="r in rows"
          :key="r.id"
          class="border-t text-right whitespace-nowrap"
          :class="r.own ? 'border-ink' : 'border-line'"
        >
          <th scope="row" class="py-0.5 text-left" :class="r.own ? '' : 'font-normal'">{{ r.words }}</th>
          <td v-for="id in figures" :key="id" class="pl-4" :data-figure="r.isScore ? id : null">
            {{ told(id, r.brief) }}
          </td>
          <td class="pl-4"><slot v-if="!r.own" :row="r" /></td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
