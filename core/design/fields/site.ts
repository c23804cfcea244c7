import { MATERIALS, SHELTERS } from '../../catalog'
import { isTimeZone } from '../../climate/time-zone'
import {
  angle,
  bearing,
  checked,
  choice,
  conductivity,
  count,
  entryOf,
  flag,
  group,
  number,
  length,
  list,
  orNull,
  temperature,
  text,
} from '../field'
import { climateFaults, type HourlyClimate, type NormalsClimate } from './climate'

/** A corner of the horizon: what stands in the way at an azimuth. Between corners the line is straight. */
export const HORIZON_POINT = group({
  azimuthDeg: bearing(0, 360, { label: 'azimuth' }),
  altitudeDeg: angle(0, 89, { label: 'altitude' }),
  kind: choice(
    [
      { id: 'solid', name: 'solid' },
      { id: 'deciduous', name: 'deciduous trees' },
    ],
    { label: 'What it is', about: 'deciduous trees let light through when they are bare' },
  ),
})

/** A scripted fortnight laid into the year: dull days, then clear ones falling to a given low. */
export const SPELL = group({
  startDay: count(0, 364, { label: 'First day', about: 'day of the year, 0 for 1 January' }),
  dullDays: count(0, 14, { label: 'Dull days' }),
  clearDays: count(1, 14, { label: 'Clear days' }),
  lowC: temperature(-60, 30, { label: 'Lowest air of its last night' }),
})

const note = (label: string) => text(400, { least: 0, start: '', label })

const toBoundary = (side: string) =>
  orNull(length(0, 500, { none: 'not measured', label: `From the ${side} to the boundary` }), {
    start: null,
    about: '`null`: not measured yet',
  })

/** Where the house stands. */
export const SITE = group(
  {
    place: text(120, { label: 'Place' }),
    latitudeDeg: number('latitude', -90, 90, { label: 'Latitude', hint: 'south is negative, or 43 S' }),
    longitudeDeg: number('longitude', -180, 180, { label: 'Longitude', hint: 'west is negative, or 71 W' }),
    elevationM: number('elevation', -430, 6000, { label: 'Elevation' }),
    timeZone: text(60, {
      label: 'Time zone',
      about: 'an IANA name such as Europe/Vienna',
      check: v => (isTimeZone(v) ? null : [`“${v}” is not a time zone`, 'an IANA name such as Europe/Vienna']),
    }),
    soil: entryOf(
      MATERIALS.filter(m => m.group === 'ground'),
      { label: 'Soil' },
    ),
    soilConductivity: orNull(
      conductivity(0.2, 4, { step: 0.1, none: 'as that soil', label: 'Conductivity of the ground, found' }),
      { start: null, about: 'as measured or as readings found it; `null`: that of the soil named' },
    ),
    seed: count(0, 4294967295, {
      label: 'Another invented year',
      hint: 'Each number gives other days of the same climate.',
      about: 'seed of the weather that is made from normals',
    }),
    months: choice(
      [
        { id: 'usual', name: 'as the normals have them' },
        { id: 'varied', name: 'as they come in one winter' },
      ],
      {
        start: 'usual',
        label: 'Months of this year',
        hint: 'Winters differ by kelvins: as many of them as you like are under How sure.',
        about: 'what the months of a made year come to; other winters of the climate always vary',
      },
    ),
    varyMeasured: flag({
      start: false,
      label: 'Make other winters from the measured one',
      about: 'a measured year is one winter; with this, others are it with months that stray as the climate’s do',
    }),
    climate: checked<NormalsClimate | HourlyClimate>(climateFaults, {
      label: 'Climate',
      about:
        'normals: `{ "kind": "normals", "lowC": [12], "highC": [12] }`, optionally `sunshineH`, `globalJm2` ' +
        '(a day), `humidity` (0–1), `windMs`, `snowDays`, each of twelve, and `designLowC` (or ' +
        '`meanYearlyLowC`), `designHighC`, `coldestMonthC` (mean of the coldest month that anybody ' +
        'remembers); what is left out is estimated; `illustrative` names the kind of climate that stands in for its ' +
        'own figures. Or `{ "kind": "hourly", "source", "notes", … }` with nine series of 8760: ' +
        '`dryBulbC dewPointC pressurePa globalWm2 beamWm2 diffuseWm2 skyInfraredWm2 windMs cloud`, optionally ' +
        '`snowM`; the air changes by at most 40 K from hour to ' +
        'hour and 70 K within a day; `others`: more such years, each with ' +
        '`source` and `notes`, that are the place’s other winters. Either may say `at`: `place latitudeDeg ' +
        'longitudeDeg`, where it is of another place than the site',
    }),
    spell: orNull(SPELL, {
      start: null,
      label: 'Spell',
      about: 'a fortnight of weather laid into the year; `null` for none',
    }),
    windFromDeg: orNull(bearing(0, 360, { label: 'Wind mostly from', about: 'azimuth that it blows from' }), {
      start: null,
      label: 'Wind mostly from',
      about: 'null while it is not known: then no side is the windy one',
    }),
    shelter: entryOf(SHELTERS, {
      start: 'some',
      label: 'Wind meets',
      hint: 'The same house leaks twice as much in an open field as between houses.',
      about: 'what stands round the house and breaks the wind',
    }),
    horizon: list(HORIZON_POINT, 0, 100, {
      start: [],
      label: 'Horizon',
      about: 'corners, straight between them; empty for none',
    }),
    survey: group(
      {
        declinationDeg: angle(-180, 180, {
          start: 0,
          label: 'Compass declination, east (+)',
          hint: 'From a current map or survey office; it drifts.',
        }),
        waterTableM: length(0, 50, {
          start: 0,
          label: 'Water table below the ground',
          hint: '0 while it is not known: dig a test hole in the wettest season.',
        }),
        frostDepthM: length(0, 3, { start: 0, label: 'Frost depth by local rule', about: '0 leaves the estimate' }),
        slopeDeg: angle(0, 45, { start: 0, label: 'Fall of the ground' }),
        slopeTowardsDeg: bearing(0, 360, { start: 180, label: 'It falls towards azimuth' }),
        frostPocket: flag({ start: false, label: 'Cold air gathers here on still nights' }),
        plot: group(
          {
            sunnyM: toBoundary('sunny side'),
            poleM: toBoundary('pole side'),
            eastM: toBoundary('east end'),
            westM: toBoundary('west end'),
            buildingM: orNull(length(0, 500, { none: 'not measured', label: 'To the nearest building' }), {
              start: null,
              about: '`null`: not measured yet',
            }),
            drainNote: note('Where roof and drain water goes'),
          },
          { label: 'Plot', about: 'distances from outer walls; they are drawn for the office, and change no sum' },
        ),
        snowNote: note('Snow, as the building office or an engineer says'),
        windNote: note('Wind, as the building office or an engineer says'),
      },
      { label: 'Ground and notes', about: 'what was measured and asked on the spot: notes and drawing, no sums' },
    ),
  },
  { label: 'Site' },
)
