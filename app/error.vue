<script setup lang="ts">
/** What is seen where there is no page, or one could not be made. Designs are untouched by either. */
const props = defineProps<{ error: { statusCode?: number; message?: string } }>()
const missing = computed(() => props.error.statusCode === 404)
const back = () => clearError({ redirect: '/' })
</script>

<template>
  <main class="mx-auto flex min-h-full max-w-xl flex-col items-start justify-center gap-3 p-6">
    <svg viewBox="0 0 220 110" class="w-56" aria-hidden="true">
      <path d="M0 96 H220" stroke="var(--earth-line)" stroke-width="3" />
      <path
        d="M60 96 V76 L125 20 L170 52 V96"
        fill="none"
        stroke="var(--ink)"
        stroke-width="2"
        stroke-dasharray="6 5"
      />
    </svg>
    <h1 class="slab text-3xl">{{ missing ? 'Nothing stands here' : 'Something gave way' }}</h1>
    <p>
      {{
        missing
          ? 'There is no page at this address.'
          : 'The page could not be made. Your designs are kept as they were at your last edit.'
      }}
    </p>
    <p v-if="!missing && error.message" class="hint">{{ error.message }}</p>
    <button class="button" data-test="back-to-bench" @click="back">Back to the bench</button>
  </main>
</template>
