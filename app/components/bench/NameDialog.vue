<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{ open: boolean }>()
const name = defineModel<string>({ required: true })
const emit = defineEmits<{ close: []; take: [] }>()
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-black/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel class="w-full max-w-sm border border-ink bg-paper p-5">
        <DialogTitle class="slab mb-2 text-xl"> Name of the design </DialogTitle>
        <form @submit.prevent="emit('take')">
          <input v-model="name" class="input" maxlength="120" aria-label="Name" data-test="name-input" />
          <div class="mt-3 flex gap-2">
            <button class="button" type="submit">Keep this name</button>
            <button class="button quiet" type="button" @click="emit('close')">Cancel</button>
          </div>
        </form>
      </DialogPanel>
    </div>
  </Dialog>
</template>
