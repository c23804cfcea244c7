<script setup lang="ts">
import { capital } from '../../../core/text/capital'
import { fanKind, fanName } from '../../../core/fans/registry'
import { airStoreKind, airStoreName } from '../../../core/air-stores/registry'
import { FILMS } from '../../../core/physics/constants'
import { bodyName, kindOf } from '../../../core/bodies/registry'
import { entry, GLAZINGS, MATERIALS, NIGHT_COVERS } from '../../../core/catalog'
import { type Layer } from '../../../core/design'
import { allCautions } from '../../../core/advice/access'
import { hasSolidRoof, headroom } from '../../../core/advice/cautions'
import { turnWords } from '../../../core/geometry/compass'
import { roomObjects } from '../../../core/geometry/objects'
import { madeOf, partName, partsOf } from '../../../core/geometry/parts'
import { HOWS } from '../../../core/openings/common'
import { openingKind, openingName } from '../../../core/openings/registry'
import { layersAsBuilt } from '../../../core/frame/timber'
import { makeOutline } from '../../../core/geometry/section'
import { shadingOf } from '../../../core/geometry/shading'
import { makeBuilding } from '../../../core/geometry/surfaces'
import { layersResistance, materialOf } from '../../../core/materials/assembly'
import { sourceKind, sourceName } from '../../../core/sources/registry'
import { makeSectionScale } from '~/composables/useSectionScale'
import { sectionRays } from '~/composables/useSectionRays'

/** The sheet that a builder pins to the wall: seen on paper only. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const WIDTH = 700
const HEIGHT = 330
const d = computed(() => bench.current)
const outline = computed(() => makeOutline(d.value.shape))
const building = computed(() => makeBuilding(d.value))
const shading = computed(() => shadingOf(d.value.shape, outline.value))
const scale = computed(() => makeSectionScale(outline.value, WIDTH, HEIGHT, null))
const rays = computed(() => sectionRays(d.value, year.view, null, 12))
const a = computed(() => year.view?.answers ?? null)
const m = (v: number) => settings.show(v, 'length')
const t = (v: number) => settings.show(v, 'temperature')
const isMetal = computed(() => d.value.build.frame.made === 'metal')
const layer = (l: Layer) =>
  `${materialOf(l).name} ${settings.show(l.thicknessM, 'thickness')}` +
  (l.framing ? (isMetal.value ? ', halved by its metal members' : ` with ${Math.round(l.framing * 100)} % timber`) : '')
/** Layers of the document at a path, with the frame's timber through them. */
function layers(path: string, list: Layer[]): string {
  const built = layersAsBuilt(d.value, path, list)
  const whole = settings.show(layersResistance(built) + FILMS, 'resistance')
  return `${built.map(layer).join(', ')}; ${whole} with its films`
}
/** Mass, openings and sources, as far as there are any. */
const stores = computed((): [string, string][] => {
  const { store, skin, topUp, breathe } = d.value
  const out = roomObjects(d.value)
    .filter(o => o.kind === 'body')
    .map((o): [string, string] => {
      const body = store.bodies[o.index]!
      return [bodyName(store.bodies, o.index), kindOf(body).line(body, o, settings.show)]
    })
  for (const { part, material, thicknessM } of store.linings)
    out.push([
      `Lining of the ${partName(part, d.value.shape.form)}`,
      `${entry(MATERIALS, material).name}, ${settings.show(thicknessM, 'thickness')}`,
    ])
  skin.openings.forEach((o, i) => {
    const kind = openingKind(o)
    const { how, startC } = kind.opener(o)
    out.push([
      openingName(skin.openings, i),
      `${partName(o.part, d.value.shape.form)}, ${kind.line(o, settings.show)}; ` +
        `${HOWS.find(h => h.id === how)!.name}${how === 'shut' || how === 'season' ? '' : ` from ${t(startC)}`}`,
    ])
  })
  breathe.fans.forEach((f, i) => out.push([fanName(breathe.fans, i), fanKind(f).line(f, settings.show)]))
  store.airStores.forEach((s, i) => {
    if (s.on) out.push([airStoreName(store.airStores, i), airStoreKind(s).line(s, settings.show)])
  })
  topUp.sources.forEach((s, i) => {
    if (s.on) out.push([sourceName(topUp.sources, i), sourceKind(s).line(s, settings.show)])
  })
  return out
})
/** Parts of the skin that are not made like the rest of the house. */
const special = computed((): [string, string][] => {
  const { skin, shape } = d.value
  return partsOf(d.value, outline.value).flatMap((id): [string, string][] => {
    const own = skin.parts[id]
    const made = madeOf(skin, id)
    const words = [
      ...(own.glazing ? [settings.named(made.glazing.name)] : []),
      ...(own.cover ? [settings.named(entry(NIGHT_COVERS, own.cover.id).name)] : []),
      ...(own.layers && made.kind === 'solid' ? [layers(`skin.parts.${id}.layers`, own.layers)] : []),
      ...('solidTopM' in own && own.solidTopM > 0 && made.kind === 'glazed'
        ? [`solid for ${m(own.solidTopM)} at its top`]
        : []),
    ]
    const name = partName(id, shape.form)
    return words.length > 0 ? [[capital(name), words.join('; ')]] : []
  })
})
const rows = computed((): [string, string][] => {
  const { shape, skin, site } = d.value
  const o = outline.value
  return [
    [
      'Where',
      `${site.place}, ${Math.abs(site.latitudeDeg).toFixed(2)}° ${site.latitudeDeg < 0 ? 'S' : 'N'}, ` +
        `sunny side ${turnWords(site.latitudeDeg, shape.turnDeg)} (true compass)`,
    ],
    ['Form', `${shape.form}, ${m(shape.lengthM)} long, ${m(o.widthM)} wide inside`],
    [
      'Heights',
      `ridge ${m(o.ridgeHeightM)}, ${m(o.ridgeAtM)} from the sunny wall; knee wall ${m(o.kneeWallM)}; ` +
        `back wall ${m(o.backWallM)}; headroom ${m(headroom(d.value).clearM)}`,
    ],
    [
      'Glazing',
      `${settings.named(entry(GLAZINGS, skin.glazing).name)} at ${o.glazingAngleDeg.toFixed(1)}° from level, ` +
        `slope ${m(o.sunnySlopeM)}`,
    ],
    ['Walls', layers('skin.wall', skin.wall)],
    ...(hasSolidRoof(d.value) ? [['Solid roof', layers('skin.roof', skin.roof)] as [string, string]] : []),
    ...special.value,
    ...stores.value,
    [
      'Night cover',
      skin.cover.id === 'none'
        ? 'none'
        : `${settings.named(entry(NIGHT_COVERS, skin.cover.id).name)}, ${skin.cover.place}, fit ${skin.cover.fit}`,
    ],
    [
      'Ground edge',
      skin.edge.thicknessM > 0
        ? `${layer(skin.edge)}, ${m(skin.edge.depthM)} ` +
          `deep${skin.edge.skirtM > 0 ? `, skirt ${m(skin.edge.skirtM)}` : ''}; floor ${m(shape.sunkM)} below ` +
          `the ground`
        : 'no board',
    ],
  ]
})
const cautions = computed(() => allCautions(d.value, a.value, settings.show))
</script>

<template>
  <article class="print-sheet" data-theme="day" data-test="design-sheet">
    <h1>{{ d.name }}</h1>
    <svg
      :width="WIDTH"
      :height="HEIGHT"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      aria-label="The section, to scale"
    >
      <SectionGround
        :design="d"
        :outline="outline"
        :scale="scale"
        :frost-depth-m="d.site.survey.frostDepthM || (year.view?.frostDepthM ?? 0)"
        :snow-m="year.view?.answers.outside.snowMostM ?? 0"
      />
      <SectionLight :building="building" :shading="shading" :scale="scale" :rays="rays" part="fill" />
      <SectionObjects :design="d" :outline="outline" :scale="scale" />
      <SectionSkin :design="d" :outline="outline" :scale="scale" />
      <SectionLight :building="building" :shading="shading" :scale="scale" :rays="rays" part="lines" />
    </svg>
    <table>
      <tbody>
        <tr v-for="[name, text] in rows" :key="name">
          <th scope="row">
            {{ name }}
          </th>
          <td>{{ text }}</td>
        </tr>
        <template v-if="a">
          <tr>
            <th scope="row">Coldest night</th>
            <td>
              <span data-figure="coldest">{{ t(a.coldestNight.insideC) }}</span> inside at
              {{ t(a.coldestNight.outsideC) }} outside, {{ a.coldestNight.day }}
            </td>
          </tr>
          <tr>
            <th scope="row">Hottest afternoon</th>
            <td>
              <span data-figure="hottest">{{ t(a.hottestAfternoon.insideC) }}</span> inside
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <h2>Cautions</h2>
    <ul>
      <li v-for="c in cautions" :key="c.text">
        {{ c.text }}
      </li>
    </ul>
    <p>
      Worked out by Tierra from this design and
      {{ d.site.climate.kind === 'hourly' ? d.site.climate.source : 'monthly means' }}. Local codes and licensed people
      go before it.
    </p>
  </article>
</template>

<style>
.print-sheet {
  display: none;
}
@media print {
  html,
  body,
  #__nuxt {
    height: auto;
    background: white;
  }
  body:not(.printing-sheet) .bench {
    display: none;
  }
  body:not(.printing-sheet) .print-sheet {
    display: block;
    background: white;
    color: #000;
    font-size: 11.5px;
    --lime: #fff;
    --paper: #fff;
    --sky-foot: #fff;
  }
  .print-sheet h1 {
    font-size: 20px;
  }
  .print-sheet h2 {
    font-size: 14px;
    margin-top: 6px;
  }
  .print-sheet table {
    width: 100%;
    border-collapse: collapse;
  }
  .print-sheet th {
    text-align: left;
    vertical-align: top;
    padding: 1px 10px 1px 0;
    white-space: nowrap;
  }
  .print-sheet td {
    border-bottom: 1px solid #ccc;
    padding: 1px 0;
  }
  .print-sheet ul {
    list-style: square;
    padding-left: 16px;
  }
  .print-sheet li {
    break-inside: avoid;
  }
}
</style>
