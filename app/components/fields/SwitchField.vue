<script setup lang="ts">
import { Switch, SwitchGroup, SwitchLabel } from '@headlessui/vue'

defineProps<{
  label: string
  value: boolean
  set: (value: boolean) => void
  /** Path of the document's field that it sets: its why is one press away. */
  why?: string
}>()
</script>

<template>
  <SwitchGroup as="div" class="flex items-center gap-3" :data-why="why" :data-label="label">
    <Switch
      :model-value="value"
      class="relative h-6 w-11 shrink-0 rounded-full border-2"
      :class="value ? 'border-moss bg-moss' : 'border-soft bg-paper'"
      @update:model-value="set($event)"
    >
      <span
        class="absolute top-0.5 block size-4 rounded-full transition-all"
        :class="value ? 'left-5 bg-paper' : 'left-0.5 bg-soft'"
      />
    </Switch>
    <SwitchLabel class="cursor-pointer">
      {{ label }}: <strong>{{ value ? 'on' : 'off' }}</strong>
    </SwitchLabel>
    <WhyButton v-if="why" :path="why" :label="label" />
  </SwitchGroup>
</template>
