<script setup lang="ts">
import type { Sum } from '../../../core/sums'

/** A sum by hand, line by line, with the reader's own units; folded away until asked for. */
defineProps<{ sum: Sum<unknown>; title?: string }>()
const settings = useSettings()
</script>

<template>
  <details>
    <summary class="cursor-pointer">
      {{ title ?? 'Show the sum' }}
    </summary>
    <table class="mt-1 text-sm">
      <tbody>
        <tr v-for="(l, i) in sum.lines" :key="i">
          <th scope="row" class="pr-3 text-left font-semibold whitespace-nowrap">
            {{ l.symbol }}
          </th>
          <td class="pr-4">
            {{ settings.named(l.text) }}
          </td>
          <td class="text-right whitespace-nowrap tabular-nums">
            {{ l.quantity ? settings.show(l.value, l.quantity) : settings.compound(l.value, l.unit) }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="hint">
      {{ sum.rule }}
    </p>
  </details>
</template>
