<script setup lang="ts">
import VueApexCharts from 'vue3-apexcharts'
import type { ApexOptions } from 'apexcharts'
import { aimLine } from '../../../core/aim/aim-line'
import { dayName, MONTH_OF_DAY } from '../../../core/climate'
import { toShown } from '../../../core/units'
import type { YearView } from '../../../core/view'

const props = defineProps<{ view: YearView; day: number; hour: number }>()
const settings = useSettings()
const bench = useDesign()

const slice = (a: Float32Array) => Array.from(a.subarray(props.day * 24, props.day * 24 + 24))
const temperature = (a: Float32Array) =>
  slice(a).map(v => (Number.isFinite(v) ? Math.round(toShown(v, 'temperature', settings.units) * 10) / 10 : null))
const hasWater = computed(() => Number.isFinite(props.view.hours.waterC[0]))

const series = computed(() => [
  { name: 'air inside', type: 'line', data: temperature(props.view.hours.airC) },
  { name: 'outside', type: 'line', data: temperature(props.view.hours.outsideC) },
  { name: 'soil', type: 'line', data: temperature(props.view.hours.soilC) },
  ...(hasWater.value ? [{ name: 'water', type: 'line', data: temperature(props.view.hours.waterC) }] : []),
  { name: 'sun on level ground, W/m²', type: 'area', data: slice(props.view.hours.globalWm2).map(Math.round) },
])

/** Colours come from the theme, read anew when it changes. */
const colours = computed(() => {
  const style = getComputedStyle(document.documentElement)
  const get = (name: string) => style.getPropertyValue(`--${name}`).trim()
  return settings.theme
    ? {
        clay: get('clay'),
        slate: get('slate'),
        moss: get('moss'),
        straw: get('straw'),
        ink: get('ink'),
        line: get('line'),
        soft: get('soft'),
        water: get('glass'),
      }
    : null!
})

const options = computed((): ApexOptions => {
  const c = colours.value
  const unit = settings.units === 'us' ? '°F' : '°C'
  const temperatures = series.value.length - 1
  const palette = [c.clay, c.ink, c.moss, ...(hasWater.value ? [c.water] : []), c.straw]
  const temps = [
    ...props.view.hours.airC.subarray(props.day * 24, props.day * 24 + 24),
    ...props.view.hours.outsideC.subarray(props.day * 24, props.day * 24 + 24),
    ...props.view.hours.soilC.subarray(props.day * 24, props.day * 24 + 24),
    ...props.view.hours.waterC.subarray(props.day * 24, props.day * 24 + 24),
  ]
    .filter(Number.isFinite)
    .map(v => toShown(v, 'temperature', settings.units))
  const tick = Math.max(...temps) - Math.min(...temps) > 28 ? 10 : 5
  const low = Math.floor((Math.min(...temps) - 1) / tick) * tick
  const high = Math.ceil((Math.max(...temps) + 1) / tick) * tick
  return {
    chart: {
      id: 'day',
      toolbar: { show: false },
      zoom: { enabled: false },
      animations: { enabled: false },
      fontFamily: 'Source Sans 3, sans-serif',
      foreColor: c.ink,
      background: 'transparent',
    },
    colors: palette,
    stroke: {
      width: [...Array.from({ length: temperatures }, (_, i) => (i === 0 ? 3.5 : 2)), 1],
      dashArray: [0, 5, 0, ...(hasWater.value ? [2] : []), 0],
      curve: 'smooth',
    },
    fill: { type: 'solid', opacity: [...Array.from({ length: temperatures }, () => 1), 0.22] },
    xaxis: {
      categories: Array.from({ length: 24 }, (_, h) => `${h}`),
      tickAmount: 12,
      axisBorder: { color: c.line },
      axisTicks: { color: c.line },
      tooltip: { enabled: false },
    },
    yaxis: [
      ...Array.from({ length: temperatures }, (_, i) => ({
        seriesName: 'air inside',
        show: i === 0,
        min: low,
        max: high,
        tickAmount: (high - low) / tick,
        labels: { formatter: (v: number) => `${Math.round(v)}` },
        title: { text: unit, style: { fontWeight: 400, color: c.soft } },
      })),
      {
        opposite: true,
        min: 0,
        max: 1000,
        tickAmount: 4,
        labels: { formatter: (v: number) => `${Math.round(v)}` },
        title: { text: 'W/m²', style: { fontWeight: 400, color: c.soft } },
      },
    ],
    annotations: {
      xaxis: [{ x: `${props.hour}`, borderColor: c.ink, strokeDashArray: 0 }],
      yaxis: [
        {
          y: toShown(
            aimLine(bench.current.aim).lowC[MONTH_OF_DAY[props.day]!] ?? bench.current.aim.lowestAirC,
            'temperature',
            settings.units,
          ),
          borderColor: c.clay,
          strokeDashArray: 6,
          label: {
            text: 'aim',
            position: 'left',
            textAnchor: 'start',
            style: { background: 'transparent', color: c.clay },
          },
        },
      ],
    },
    legend: { position: 'right', fontSize: '13px', offsetY: 0, width: 170, itemMargin: { vertical: 1 } },
    grid: { borderColor: c.line, padding: { top: -12, bottom: -4 } },
    tooltip: { theme: settings.theme === 'night' ? 'dark' : 'light', shared: true },
  }
})
const spoken = computed(() => `Temperatures of ${dayName(props.day)}, hour by hour`)
</script>

<template>
  <div role="img" :aria-label="spoken" data-test="day-chart">
    <VueApexCharts height="178" :options="options" :series="series" />
  </div>
</template>
