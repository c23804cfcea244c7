import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { BadInput } from '../../cli/bad-input'
import { readAnswers, startCommand } from '../../cli/start-command'
import type { Design } from '../../core/design'
import { designFaults, isReached } from '../../core/editing'
import { sunnyAzimuthDeg } from '../../core/geometry/section'
import { LENGTHS_M } from '../../core/start/choices'

const plain = { latitudeDeg: 47.8, longitudeDeg: 13.1, form: 'alone', lengthM: 6, widthM: 4, lives: ['leaves'] }
const read = (more: object) => readAnswers(JSON.stringify({ ...plain, ...more }))
function faults(more: object): readonly string[] {
  try {
    read(more)
  } catch (error) {
    if (error instanceof BadInput) return error.lines
    throw error
  }
  return []
}

test('answers that leave out what need not be known are whole; a dome is as wide as it is long', () => {
  expect(read({})).toMatchObject({
    against: 'free',
    facingDeg: null,
    atHand: { power: true, water: true, stone: false, drums: 0, windowsM2: 0 },
    timeZone: 'Europe/Vienna',
  })
  expect(read({ form: 'dome', widthM: 3 }).widthM).toBe(6)
  const known = { kind: 'zone', value: 3 }
  const coldest = (a: { climate: { kind: string } }) => Math.min(...(a.climate as unknown as { lowC: number[] }).lowC)
  expect(coldest(read({ knownLow: known }))).toBeLessThan(coldest(read({})))
})

test('each answer that is amiss is named, with what is allowed', () => {
  expect(faults({ latitudeDeg: 91, form: 'tent', lives: ['mould'], drums: 1.5 })).toEqual([
    'latitudeDeg: is no number within its range; allowed: a number from -90 to 90',
    'form: is not known; allowed: alone, house, bank, dome, hoops',
    expect.stringMatching(/^lives: is no list of what is known; allowed: leaves, /),
    'drums: is not a whole number; allowed: a whole number',
  ])
  expect(faults({ lengthM: undefined })).toEqual([
    `lengthM: is missing; allowed: a number from ${LENGTHS_M[0]} to ${LENGTHS_M[1]}`,
  ])
  expect(faults({ knownLow: 'cold', colour: 'red', power: 'yes' }).map(f => f.split(':')[0])).toEqual([
    'knownLow',
    'power',
    'colour',
  ])
  expect(faults({ knownLow: { kind: 'zone', value: 99 } })[0]).toMatch(/^knownLow\.value: “99” is no zone/)
  expect(() => readAnswers('[')).toThrow(BadInput)
  expect(() => readAnswers('[]')).toThrow(BadInput)
})

test('the command gives a document that stands, looks where its wall does, and is all reached', async () => {
  const path = join(mkdtempSync(join(tmpdir(), 'tierra-start-')), 'answers.json')
  writeFileSync(path, JSON.stringify({ ...plain, form: 'house', facingDeg: 235, drums: 6 }))
  const design = (await startCommand([path])) as Design
  expect(designFaults(design)).toEqual([])
  expect(isReached(design)).toBe(true)
  expect(sunnyAzimuthDeg(design.site.latitudeDeg, design.shape.turnDeg)).toBeCloseTo(235, 6)
})
