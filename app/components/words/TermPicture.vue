<script setup lang="ts">
import type { TermPicture } from '../../../core/words/glossary'

/** Small drawings that explain a word; all of one house, the sun on the left. */
defineProps<{ picture: TermPicture }>()
</script>

<template>
  <svg viewBox="0 0 220 130" class="picture" aria-hidden="true">
    <rect width="220" height="130" fill="var(--sky-foot)" />
    <template v-if="picture === 'azimuth'">
      <circle cx="110" cy="65" r="50" fill="none" stroke="var(--ink)" stroke-width="1.5" />
      <path d="M110 20 L116 65 H104 Z" fill="var(--clay)" />
      <path d="M110 65 L150 95" stroke="var(--slate)" stroke-width="2.5" />
      <path
        d="M110 40 A25 25 0 0 1 130 80"
        fill="none"
        stroke="var(--slate)"
        stroke-width="1.5"
        stroke-dasharray="3 3"
      />
      <text x="110" y="13" text-anchor="middle">north 0°</text>
      <text x="163" y="69">90°</text>
      <text x="110" y="127" text-anchor="middle">180°</text>
      <text x="34" y="69">270°</text>
    </template>
    <template v-else-if="picture === 'layers'">
      <rect x="60" y="20" width="16" height="90" fill="var(--wall)" stroke="var(--ink)" />
      <rect x="76" y="20" width="54" height="90" fill="var(--sun-fill)" stroke="var(--ink)" />
      <rect x="130" y="20" width="10" height="90" fill="var(--wall)" stroke="var(--ink)" />
      <path d="M150 45 H50 M58 40 L50 45 L58 50" stroke="var(--clay)" stroke-width="6" fill="none" opacity="0.35" />
      <path d="M150 90 H112 L90 90 H50 M58 86 L50 90 L58 94" stroke="var(--clay)" stroke-width="2" fill="none" />
      <text x="160" y="68">warm</text>
      <text x="12" y="68">cold</text>
      <text x="84" y="124">insulation</text>
    </template>
    <template v-else-if="picture === 'lapse'">
      <path d="M0 120 L70 112 L150 30 L220 60 V130 H0 Z" fill="var(--earth)" stroke="var(--ink)" />
      <path d="M132 48 L150 30 L172 40 L160 46 L150 42 L143 52 Z" fill="var(--paper)" stroke="var(--ink)" />
      <text x="20" y="104">milder</text>
      <text x="120" y="24">colder</text>
    </template>
    <template v-else>
      <rect y="105" width="220" height="25" fill="var(--earth)" />
      <path d="M60 105 V85 L125 28 L170 60 V105 Z" fill="var(--sun-fill)" stroke="var(--ink)" stroke-width="2" />
      <path d="M60 85 L125 28" stroke="var(--glass)" stroke-width="4" />
      <template v-if="picture === 'knee wall'">
        <path d="M60 105 V85" stroke="var(--clay)" stroke-width="7" />
        <text x="6" y="98">knee wall</text>
        <circle cx="125" cy="28" r="5" fill="var(--clay)" />
        <text x="134" y="26">ridge</text>
      </template>
      <template v-else-if="picture === 'glazing angle'">
        <path d="M60 85 H112 M92 85 A32 32 0 0 0 84 64" fill="none" stroke="var(--clay)" stroke-width="2" />
        <text x="96" y="78">angle</text>
        <path d="M8 34 L86 60" stroke="var(--straw)" stroke-width="2.5" />
        <text x="6" y="28">winter sun</text>
      </template>
      <template v-else-if="picture === 'winter and summer sun'">
        <path d="M4 62 L88 92" stroke="var(--straw)" stroke-width="2.5" />
        <path d="M46 4 L98 96" stroke="var(--clay)" stroke-width="2.5" stroke-dasharray="5 4" />
        <text x="4" y="56">winter noon</text>
        <text x="54" y="14">summer noon</text>
      </template>
      <template v-else-if="picture === 'night cover'">
        <path d="M53 82 L120 22" stroke="var(--clay)" stroke-width="6" stroke-linecap="round" />
        <path d="M44 98 C50 94 52 92 55 88" fill="none" stroke="var(--slate)" stroke-width="2" marker-end="none" />
        <text x="10" y="40">cover</text>
        <text x="2" y="118">its edge</text>
      </template>
      <template v-else-if="picture === 'earth store'">
        <circle v-for="k in 4" :key="k" :cx="70 + k * 20" cy="120" r="5" fill="var(--paper)" stroke="var(--ink)" />
        <path d="M128 38 V112 M123 104 L128 112 L133 104" fill="none" stroke="var(--clay)" stroke-width="2" />
        <text x="134" y="80">fan</text>
      </template>
      <template v-else-if="picture === 'frost skirt'">
        <path d="M57 105 V126" stroke="var(--clay)" stroke-width="5" />
        <path d="M57 116 H20" stroke="var(--clay)" stroke-width="4" stroke-dasharray="6 3" />
        <path d="M0 122 H50 M176 122 H220" stroke="var(--slate)" stroke-width="1.5" stroke-dasharray="2 3" />
        <text x="4" y="100">board and skirt</text>
        <text x="168" y="120">frost</text>
      </template>
      <template v-else-if="picture === 'wax opener'">
        <path d="M125 28 L90 34" stroke="var(--glass)" stroke-width="4" />
        <path d="M113 60 L101 36" stroke="var(--clay)" stroke-width="5" />
        <path
          d="M104 26 C102 18 108 14 106 6 M112 22 C110 14 116 12 114 4"
          fill="none"
          stroke="var(--straw)"
          stroke-width="2"
        />
        <text x="120" y="64">wax</text>
      </template>
    </template>
  </svg>
</template>

<style scoped>
.picture {
  display: block;
  width: 100%;
  max-width: 15rem;
  border: 1px solid var(--line);
}
text {
  font-size: 12px;
  fill: var(--ink);
}
</style>
