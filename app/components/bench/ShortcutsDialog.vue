<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const ROWS: [string, string][] = [
  ['Ctrl Z', 'Undo'],
  ['Ctrl Shift Z, Ctrl Y', 'Redo'],
  ['1 … 9', 'Go to a step of the work'],
  ['F1', 'Why the field matters that has the focus'],
  ['W', 'Words on this screen, or of what is selected'],
  ['P', 'Pin the design, or take the pin out'],
  ['Ctrl S', 'Export the design as a file'],
  ['Ctrl O', 'Import a design'],
  ['N', 'Day or night theme'],
  ['U', 'Next units'],
  ['D', 'Back from a day to the design days'],
  ['Arrow keys', 'Move a handle, a slider or the day; with Shift, further'],
  ['Enter, Esc', 'Take or leave what is typed in a field'],
  ['?', 'This list'],
]
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel class="w-full max-w-md border border-ink bg-paper p-5">
        <DialogTitle class="slab mb-3 text-xl"> Keyboard shortcuts </DialogTitle>
        <dl class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
          <template v-for="[keys, what] in ROWS" :key="keys">
            <dt class="font-semibold">
              {{ keys }}
            </dt>
            <dd>{{ what }}</dd>
          </template>
        </dl>
        <button class="button mt-4" @click="emit('close')">Close</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
