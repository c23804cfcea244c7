<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { CLAIMS, GROUNDS } from '../../../core/trust'

/** What the year's claims rest on, and which way each errs. */
const open = defineModel<boolean>({ required: true })
focusBack()
const KINDS = ['proof', 'measured', 'thin'] as const
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="open = false">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel class="max-h-full w-full max-w-2xl overflow-y-auto border border-ink bg-paper p-5" data-test="trust">
        <DialogTitle class="slab text-xl"> How far to trust it </DialogTitle>
        <p class="mb-2">
          The year is worked out from physics and published figures, and tuned to no house. A gardener with a
          thermometer will find it off; here is where, and which way.
        </p>
        <section v-for="kind in KINDS" :key="kind" class="mb-3">
          <h3 class="group-title">
            {{ GROUNDS[kind] }}
          </h3>
          <ul class="grid gap-1.5">
            <li v-for="c in CLAIMS.filter(x => x.rests === kind)" :key="c.claim">
              <strong>{{ c.claim }}.</strong> {{ c.bias }}
              <span class="hint block">A logger would tell: {{ c.logger }}</span>
            </li>
          </ul>
        </section>
        <section class="mb-3">
          <h3 class="group-title">Houses that were measured, and what the year says of one like each</h3>
          <p class="mb-2">
            Bars are what has been published, marks are what comes out here. Nothing is tuned to them: what lies outside
            stays outside. The ranges are rounded from the sources named.
          </p>
          <MeasuredHouses />
        </section>
        <button class="button" @click="open = false">Close</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
