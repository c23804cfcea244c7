import { timeZoneOf } from '../core/climate/zone-of-place'
import { isTree } from '../core/design/complete'
import { AGAINST, LENGTHS_M, LIVES, WIDTHS_M, type Against, type StartAnswers } from '../core/start/choices'
import { startDesign } from '../core/start/improve'
import { readKnownLow, type KnownLow } from '../core/start/known-low'
import { likelyClimates } from '../core/start/place-climates'
import { inMetric } from '../core/units'
import { createYearEngine } from '../core/year'
import { BadInput } from './bad-input'
import { readText } from './design-commands'
import { readOptions } from './options'

/** What a house stands against, as answers name it. */
const FORMS: Record<string, Against> = { alone: 'free', house: 'house', bank: 'bank', dome: 'dome', hoops: 'hoops' }
/** No file of answers is longer, bytes. */
const LONGEST_ANSWERS = 100_000
const MOST_DRUMS = 500
const MOST_WINDOWS_M2 = 1000

/** Answers from JSON; throws BadInput with a line for each that is amiss. */
export function readAnswers(text: string): StartAnswers {
  let read: unknown
  try {
    read = JSON.parse(text)
  } catch {
    throw new BadInput(['answers: are no JSON; allowed: an object of answers'])
  }
  if (!isTree(read)) throw new BadInput(['answers: are no object; allowed: an object of answers'])
  const faults: string[] = []
  const said = read
  const wrong = (name: string, what: string, allowed: string) => faults.push(`${name}: ${what}; allowed: ${allowed}`)
  const number = (name: string, low: number, high: number, otherwise?: number): number => {
    const v = said[name]
    if (v === undefined && otherwise !== undefined) return otherwise
    if (typeof v === 'number' && v >= low && v <= high) return v
    wrong(name, v === undefined ? 'is missing' : 'is no number within its range', `a number from ${low} to ${high}`)
    return NaN
  }
  const flag = (name: string, otherwise: boolean): boolean => {
    const v = said[name]
    if (v === undefined || typeof v === 'boolean') return v ?? otherwise
    wrong(name, 'is not true or false', 'true or false')
    return otherwise
  }
  const latitudeDeg = number('latitudeDeg', -90, 90)
  const longitudeDeg = number('longitudeDeg', -180, 180)
  const form = typeof said.form === 'string' && Object.hasOwn(FORMS, said.form) ? FORMS[said.form]! : null
  if (form === null) wrong('form', 'is not known', Object.keys(FORMS).join(', '))
  const lengthM = number('lengthM', LENGTHS_M[0], LENGTHS_M[1])
  const widthM = number('widthM', WIDTHS_M[0], WIDTHS_M[1])
  const facingDeg = said.facingDeg === undefined || said.facingDeg === null ? null : number('facingDeg', 0, 360)
  const lives = Array.isArray(said.lives) ? said.lives : null
  const ids = LIVES.map(l => l.id)
  if (!lives || !lives.every(id => ids.includes(id as string)))
    wrong('lives', 'is no list of what is known', ids.join(', '))
  const known = readLow(said.knownLow, faults)
  const drums = number('drums', 0, MOST_DRUMS, 0)
  if (Number.isFinite(drums) && !Number.isInteger(drums)) wrong('drums', 'is not a whole number', 'a whole number')
  const atHand = {
    power: flag('power', true),
    water: flag('water', true),
    stone: flag('stone', false),
    drums,
    windowsM2: number('windows', 0, MOST_WINDOWS_M2, 0),
  }
  const names = [
    ...['latitudeDeg', 'longitudeDeg', 'knownLow', 'form', 'facingDeg', 'lengthM', 'widthM', 'lives'],
    ...['power', 'water', 'drums', 'stone', 'windows'],
  ]
  for (const name of Object.keys(said)) if (!names.includes(name)) wrong(name, 'is not asked', names.join(', '))
  if (faults.length > 0) throw new BadInput(faults, { ok: false, faults })
  const [likely] = likelyClimates({ latitudeDeg, longitudeDeg }, null, known)
  return {
    place: 'Place not named yet',
    latitudeDeg,
    longitudeDeg,
    elevationM: Math.round(likely!.heightM),
    timeZone: timeZoneOf(latitudeDeg, longitudeDeg),
    climate: likely!.climate,
    against: AGAINST.find(a => a.id === form)!.id,
    facingDeg,
    lengthM,
    widthM: form === 'dome' ? lengthM : widthM,
    lives: lives as string[],
    atHand,
  }
}

/** A figure of winters; null where none is known. */
function readLow(said: unknown, faults: string[]): KnownLow | null {
  if (said === undefined || said === null) return null
  const allowed = 'null, or {"kind":"zone|usual|record","value":…}'
  const { kind, value } = isTree(said) ? said : { kind: undefined, value: undefined }
  if ((kind !== 'zone' && kind !== 'usual' && kind !== 'record') || !['string', 'number'].includes(typeof value)) {
    faults.push(`knownLow: is no figure of winters; allowed: ${allowed}`)
    return null
  }
  const read = readKnownLow(String(value), kind, 'metric')
  if (read.ok) return read.known
  faults.push(`knownLow.value: ${read.message}; allowed: ${allowed}`)
  return null
}

/** `start <answers.json>`: the design that is begun with for some answers. */
export async function startCommand(args: string[]): Promise<unknown> {
  const { words } = readOptions(args, [], ['answers.json'])
  const answers = readAnswers(readText(words[0]!, 'answers as JSON', LONGEST_ANSWERS))
  const engine = createYearEngine()
  try {
    const { design } = await startDesign(
      answers,
      'started',
      'My greenhouse',
      d => engine.run(d, { unheated: false }).answers,
      inMetric,
    )
    return design
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput([`lengthM: ${error.message}`])
    throw error
  }
}
