import { MONTH_NAMES } from '../climate/types'
import type { Fault } from './types'

/**
 * What the reader calls a place of the document; numbers in brackets are counted from one. What is not here is told by
 * its longest known beginning.
 */
const WORDS: Record<string, string> = {
  'name': 'Name',
  'aim': 'Aim',
  'aim.lowestAirC': 'Lowest air',
  'aim.highestAirC': 'Highest air',
  'aim.crops': 'Crops',
  'aim.crops[]': 'Crop #',
  'aim.practical': 'What is at hand',
  'site': 'Site',
  'site.place': 'Place',
  'site.latitudeDeg': 'Latitude',
  'site.longitudeDeg': 'Longitude',
  'site.elevationM': 'Elevation',
  'site.timeZone': 'Time zone',
  'site.seed': 'Invented year',
  'site.climate': 'Climate',
  'site.climate.designLowC': 'Coldest night of the year',
  'site.climate.designHighC': 'Hottest afternoon of the year',
  'site.horizon': 'Horizon',
  'site.horizon[]': 'Corner # of the horizon',
  'site.survey': 'Ground and notes',
  'shape': 'Shape',
  'shape.lengthM': 'Length',
  'shape.widthM': 'Width',
  'shape.kneeWallM': 'Knee wall',
  'shape.ridgeHeightM': 'Ridge height',
  'shape.ridgeAtM': 'Ridge from the sunny wall',
  'shape.backWallM': 'Back wall',
  'shape.breakAtM': 'Break of the slope',
  'shape.breakHeightM': 'Break of the slope',
  'shape.sunkM': 'Floor below the ground',
  'shape.riseM': 'Ground higher at the back',
  'shape.pathM': 'Paths',
  'shape.overhangM': 'Eave',
  'shape.shadeStripM': 'Shade strip',
  'shape.house.heightM': 'House wall',
  'shape.beds': 'Beds',
  'shape.beds[]': 'Bed #',
  'shape.benches': 'Benches',
  'shape.benches[]': 'Bench #',
  'skin': 'Skin',
  'skin.glazing': 'Glazing',
  'skin.wall': 'Walls',
  'skin.wall[]': 'Walls, layer #',
  'skin.roof': 'Solid roof',
  'skin.roof[]': 'Solid roof, layer #',
  'skin.cover': 'Night cover',
  'skin.edge': 'Ground edge',
  'store': 'Store',
  'store.barrels': 'Barrels',
  'store.tank': 'Tank',
  'store.pond': 'Pond',
  'store.innerWall': 'Wall of mass',
  'store.massWall': 'Inner face of the back wall',
  'store.floor': 'Floor',
  'store.earth': 'Earth store',
  'store.rockBed': 'Rock bed',
  'store.channels': 'Bed channels',
  'breathe': 'Breathe',
  'breathe.vents': 'Vents',
  'breathe.lobby': 'Entry lobby',
  'topUp': 'Top-up',
  'topUp.heater': 'Heater',
  'topUp.heater.currency': 'Currency',
  'topUp.lamps': 'Lamps',
}
for (const part of ['skin.wall', 'skin.roof']) {
  Object.assign(WORDS, {
    [`${part}[].own.name`]: 'Own material, name',
    [`${part}[].own.conductivity`]: 'Own material, conductivity',
    [`${part}[].own.density`]: 'Own material, density',
    [`${part}[].own.specificHeat`]: 'Own material, specific heat',
    [`${part}[].own.solarAbsorptance`]: 'Own material, sun taken in',
  })
}

/** A path of the document in the reader's words: “Bed 1”, “April low”. */
export function pathInWords(path: string): string {
  const month = /^site\.climate\.(lowC|highC)\[(\d+)\]$/.exec(path)
  if (month) return `${MONTH_NAMES[Number(month[2])] ?? 'Month'} ${month[1] === 'lowC' ? 'low' : 'high'}`
  const number = /\[(\d+)\]/.exec(path)
  let known = path.replace(/\[\d+\]/g, '[]')
  while (known !== '' && !(known in WORDS))
    known = known.endsWith('[]') ? known.slice(0, -2) : known.replace(/\.?[^.[\]]*$/, '')
  return known === '' ? 'The design' : WORDS[known]!.replace('#', number ? String(Number(number[1]) + 1) : '')
}

/** A fault as a sentence for a screen. */
export function faultWords(fault: Fault): string {
  return `${pathInWords(fault.path)}: ${fault.message}. Allowed: ${fault.allowed}.`
}
