/** A drawing that explains a term; drawn by the sheet of words. */
export type TermPicture =
  | 'knee wall'
  | 'glazing angle'
  | 'winter and summer sun'
  | 'azimuth'
  | 'night cover'
  | 'earth store'
  | 'frost skirt'
  | 'wax opener'
  | 'layers'
  | 'lapse'

/** A word of the field, in plain ones. */
export interface Term {
  id: string
  term: string
  /** Other words that lead here; matched as whole words, in any case. */
  also?: readonly string[]
  text: string
  picture?: TermPicture
}

/** Every word that a newcomer may stumble over. Texts name no unit: readers have their own. */
export const TERMS: readonly Term[] = [
  {
    id: 'r-value',
    term: 'R-value',
    also: ['thermal resistance', 'R', 'RSI'],
    text:
      'How well a layer holds heat back: twice the R, half the heat through it. Rs of layers one behind the ' +
      'other add up. R is one over U.',
    picture: 'layers',
  },
  {
    id: 'u-value',
    term: 'U-value',
    also: ['transmittance', 'U'],
    text:
      'How much heat goes through each piece of wall or pane for each degree between its sides. Low is good. U ' +
      'is one over all Rs together, the films of air on both faces among them.',
    picture: 'layers',
  },
  {
    id: 'dli',
    term: 'DLI',
    also: ['daily light integral', 'light at the beds', 'mol/m²·d', 'mol/m² a day'],
    text:
      'The light for plants that falls on a bed in a day, counted in mol of light over its area. Lettuce lives ' +
      'on a few and wants a dozen; tomatoes want more. In a northern December it is light that fails first.',
  },
  {
    id: 'rh',
    term: 'Relative humidity',
    also: ['RH', 'humidity', 'damp hours'],
    text:
      'How much of the vapour that air can hold it does hold. The same air is damper when it cools: at night it ' +
      'reaches the full, and water stands on panes and leaves. Over nine tenths, mould begins.',
  },
  {
    id: 'dew-point',
    term: 'Dew point',
    text: 'The temperature at which the vapour in the air begins to settle. A face colder than that grows wet.',
  },
  {
    id: 'wax-opener',
    term: 'Wax opener',
    also: ['wax'],
    text:
      'A cylinder of wax that swells as it warms and pushes a vent open, without power. It is slow, and on a ' +
      'bright winter day it lets out heat that you wanted to keep: unhook it then.',
    picture: 'wax opener',
  },
  {
    id: 'knee-wall',
    term: 'Knee wall',
    also: ['knee walls'],
    text:
      'The low solid wall under the glazing, up to the knee. It lifts the panes out of snow and splash, can be ' +
      'insulated, and holds the low vents.',
    picture: 'knee wall',
  },
  {
    id: 'design-day',
    term: 'Design days',
    also: ['design day', 'cold day', 'hot day'],
    text:
      'The coldest and the hottest day of the year that is shown. The section draws the noon sun of both until ' +
      'you choose another day.',
    picture: 'winter and summer sun',
  },
  {
    id: 'design-low',
    term: 'Design low',
    also: ['coldest night of the year'],
    text:
      'The coldest air that the made year must reach. A record low makes a hard year, the mean of each winter’s ' +
      'coldest a usual one.',
  },
  {
    id: 'hardiness-zone',
    term: 'Hardiness zone',
    also: ['zone'],
    text:
      'A map’s number for how cold most winters get: each zone is a band of the mean of each winter’s coldest ' +
      'night. Gardeners know theirs; Tierra takes it for the mean yearly low.',
  },
  {
    id: 'glazing-angle',
    term: 'Glazing angle',
    text:
      'How steep the sunny glazing stands, from level. Square to the low winter sun it takes the most of it, ' +
      'and the high summer sun glances off.',
    picture: 'glazing angle',
  },
  {
    id: 'azimuth',
    term: 'Azimuth',
    text:
      'Where on the compass something stands: from true north by east, south, west. The needle ' +
      'points to magnetic north, which is not the same.',
    picture: 'azimuth',
  },
  {
    id: 'altitude',
    term: 'Altitude of the sun',
    also: ['altitude'],
    text: 'How high the sun, or an obstacle, stands over level, in degrees.',
    picture: 'winter and summer sun',
  },
  {
    id: 'true-north',
    term: 'True north',
    text: 'Where the earth turns, not where the needle points. A stick’s shadow at the sun’s noon lies along it.',
    picture: 'azimuth',
  },
  {
    id: 'pole-side',
    term: 'Pole side',
    also: ['sunny side', 'sunny wall'],
    text:
      'The side away from the sun at noon: north in the northern half of the earth, south in the southern. The ' +
      'other is the sunny side. Tierra says it like this so that it is true on both halves.',
    picture: 'azimuth',
  },
  {
    id: 'mass',
    term: 'Thermal mass',
    also: ['mass'],
    text:
      'Whatever takes in warmth by day and gives it back by night: water, stone, soil. It evens out days; it ' +
      'makes no heat.',
  },
  {
    id: 'heat-capacity',
    term: 'Specific heat',
    text:
      'How much heat it takes to warm a piece of something by a degree. Water takes four times what stone does ' +
      'for its weight.',
  },
  {
    id: 'conductivity',
    term: 'Conductivity',
    text: 'How readily a material passes heat on. Foams least, metals most; wet is always more than dry.',
  },
  {
    id: 'night-cover',
    term: 'Night cover',
    also: ['cover', 'blanket', 'quilt', 'thermal screen', 'shutters'],
    text:
      'What is drawn over or under the panes at night: a screen, a quilted blanket, foam boards. Its edges ' +
      'matter as much as its middle: air that creeps round them undoes it.',
    picture: 'night cover',
  },
  { id: 'row-cover', term: 'Row cover', text: 'A light sheet laid over the plants inside the house on cold nights.' },
  {
    id: 'ach',
    term: 'Air changes an hour',
    also: ['air changes', 'ACH', 'ACH50'],
    text:
      'How often all the air in the house is swapped for outside air in an hour. Under fifty pascals (a fan in ' +
      'the door) it is twenty to forty times what it is in usual wind.',
  },
  {
    id: 'infiltration',
    term: 'Leaks',
    also: ['air leaks', 'infiltration', 'leakage'],
    text:
      'Air that comes and goes through gaps nobody meant: laps, the ridge, the sill, the door. Wind and warmth ' +
      'drive it.',
  },
  {
    id: 'earth-store',
    term: 'Earth store',
    also: ['earth stores'],
    text:
      'Pipes under the floor. By day a fan blows the hot air from the ridge through them and the ground keeps ' +
      'its heat; by night the ground gives it back.',
    picture: 'earth store',
  },
  {
    id: 'rock-bed',
    term: 'Rock bed',
    text: 'A box of rock under the floor that air is blown through: it stores for a day or two.',
  },
  {
    id: 'earth-tube',
    term: 'Earth tube',
    text: 'A pipe through the ground that fresh air comes in by: warmer than outside in winter, cooler in summer.',
  },
  {
    id: 'edge',
    term: 'Edge insulation',
    also: ['skirt', 'frost skirt', 'ground edge', 'board at the edge'],
    text:
      'Foam board down the outside of the foundation, or laid flat outwards in the ground as a skirt. It keeps ' +
      'the floor’s warmth in and the frost out.',
    picture: 'frost skirt',
  },
  {
    id: 'frost-line',
    term: 'Frost line',
    also: ['frost depth'],
    text: 'How deep the ground freezes in a hard winter. What stands above it is lifted by ice.',
    picture: 'frost skirt',
  },
  {
    id: 'lining',
    term: 'Lining',
    also: ['linings'],
    text: 'Brick, block or stone on the inner face of a wall, where the sun can warm it.',
  },
  {
    id: 'top-up',
    term: 'Top-up heat',
    also: ['top-up'],
    text: 'Heat that is paid for, beyond what the sun and the house bring.',
  },
  {
    id: 'set-point',
    term: 'Set point',
    also: ['set-point', 'thermostat'],
    text: 'The temperature that a heater or a vent works towards.',
  },
  {
    id: 'kwh',
    term: 'kWh',
    also: ['kilowatt hour', 'kilowatt hours'],
    text: 'A thousand watts for an hour: what a small heater uses in that time, and what your bill counts.',
  },
  {
    id: 'haze',
    term: 'Haze',
    also: ['diffuse glazing'],
    text:
      'How much a glazing scatters the light. Hazy panes spread the sun about its way, so that no sharp edge of it ' +
      'falls on mass.',
  },
  {
    id: 'long-wave',
    term: 'Long-wave',
    also: ['longwave', 'radiation to the sky'],
    text:
      'The warmth that every face shines away without being seen. Under a clear night sky it is most of what ' +
      'glass loses; thin films let it straight through.',
  },
  {
    id: 'ridge',
    term: 'Ridge',
    text: 'The highest line of the house, where its slopes meet and the warmest air gathers.',
    picture: 'knee wall',
  },
  {
    id: 'ridge-vent',
    term: 'Ridge vent',
    also: ['ridge vents'],
    text: 'An opening at the highest line. With low vents it draws by itself: warm air out above, cool air in below.',
  },
  {
    id: 'louvre',
    term: 'Louvre',
    also: ['louvres', 'inlet louvre'],
    text: 'An opening with slats that turn, or fall shut by themselves when no fan blows.',
  },
  {
    id: 'purlin',
    term: 'Purlin',
    also: ['purlins'],
    text: 'A member that runs along the house across the rafters and carries the panes or the roof.',
  },
  {
    id: 'rafter',
    term: 'Rafter',
    also: ['rafters', 'stud', 'studs'],
    text: 'A sloping member of the roof; the upright ones in walls are studs.',
  },
  { id: 'saltbox', term: 'Saltbox', text: 'A house with a long slope to the sun and a short, steep, insulated back.' },
  { id: 'lean-to', term: 'Lean-to', text: 'A house with one slope that leans on another building.' },
  { id: 'gambrel', term: 'Gambrel', text: 'A roof that breaks: steep below, flatter above.' },
  {
    id: 'normals',
    term: 'Monthly means',
    also: ['normals', 'mean daily low', 'mean daily high'],
    text: 'The average of each month’s lows and highs over many years, as weather stations publish them.',
  },
  {
    id: 'epw',
    term: 'EPW',
    text:
      'A file with a typical year of weather, hour by hour, for one place. Building designers use them; many ' +
      'stations have one.',
  },
  {
    id: 'illustrative',
    term: 'Illustrative climate',
    text: 'A kind of climate drawn to be typical, of no one place. It lets you begin; your own months go before it.',
  },
  {
    id: 'degree-hours',
    term: 'Degree-hours',
    text: 'How cold and how long together: five degrees too cold for two hours are ten degree-hours.',
  },
  {
    id: 'seed',
    term: 'Another invented year',
    also: ['seed'],
    text:
      'Days are made from monthly means, by chance. Another seed is another year of the same climate: ' +
      'its coldest night differs by a few degrees.',
  },
  {
    id: 'closure',
    term: 'Closure of the ledger',
    also: ['ledger'],
    text:
      'Every bit of heat that comes in must go out or be stored. How far the sum is off tells whether the year ' +
      'was worked out cleanly.',
  },
  {
    id: 'payback',
    term: 'Payback',
    also: ['years to pay back'],
    text: 'Years until the fuel that is saved, and the harvest that is won, have paid for a change.',
  },
  { id: 'dead-time', term: 'Lag', text: 'How long after the air an opener answers.' },
  {
    id: 'hysteresis',
    term: 'Hysteresis',
    text: 'The gap between where something switches on and where it switches off again.',
  },
  {
    id: 'shut-off',
    term: 'Shut-off pressure',
    text:
      'The pressure against which a fan moves no air at all. A fan in a long pipe works somewhere between that ' +
      'and free flow.',
  },
  {
    id: 'framing',
    term: 'Framing share',
    also: ['share of timber framing'],
    text: 'How much of an insulated wall is wood. Wood lets three times as much heat through as foam.',
    picture: 'layers',
  },
  {
    id: 'lapse',
    term: 'Height and cold',
    also: ['lapse rate', 'elevation'],
    text:
      'Higher up it is colder, and the sun is stronger. The climate of a station in the valley is too mild for ' +
      'a hill.',
    picture: 'lapse',
  },
  { id: 'frost-pocket', term: 'Frost pocket', text: 'A hollow that cold air runs into on still clear nights.' },
  {
    id: 'leaf-temperature',
    term: 'The leaf itself',
    also: ['leaf temperature', 'leaves themselves'],
    text:
      'Under clear glass at night leaves shine their warmth away and grow colder than the air: they can freeze ' +
      'when a thermometer says they should not.',
  },
  {
    id: 'levenberg',
    term: 'What the readings say',
    also: ['fit'],
    text:
      'Tierra changes what it assumed (leaks, edges, light, ground, mass) until its days match your ' +
      'readings best, and says how far each may be off.',
  },
  {
    id: 'ladder',
    term: 'Ladder',
    text: 'All sensible single changes, each run for its year and put in order of what it buys.',
  },
  {
    id: 'pin',
    term: 'Pin',
    text: 'The design as it is now, held fast: every figure then shows its change against it.',
  },
  { id: 'take-off', term: 'Take-off', text: 'The list of everything that must be bought, counted off the drawing.' },
  { id: 'waste', term: 'Waste', text: 'What is bought and cut away. Boards come in lengths, and yours are others.' },
  {
    id: 'latitude',
    term: 'Latitude',
    text: 'How far north or south of the equator, in degrees. It decides how high the sun climbs.',
    picture: 'winter and summer sun',
  },
]

const escaped = (s: string) => s.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
/** All words that lead to a term, the longest first, so that “ridge vent” is not taken for “ridge”. */
const LEADS = TERMS.flatMap(t => [t.term, ...(t.also ?? [])].map(word => ({ id: t.id, word }))).sort(
  (a, b) => b.word.length - a.word.length,
)
const ALL = new RegExp(`(?<![\\p{L}\\p{N}])(?:${LEADS.map(l => escaped(l.word)).join('|')})(?![\\p{L}\\p{N}])`, 'giu')

/** Single letters count as they are written: R is a term, r is not. */
const leadOf = (found: string) =>
  LEADS.find(l => (l.word.length === 1 ? l.word === found : l.word.toLowerCase() === found.toLowerCase()))

/** Terms that stand in a text, in their order there, each once. */
export function termsIn(text: string): Term[] {
  const out: Term[] = []
  for (const [found] of text.matchAll(ALL)) {
    const term = TERMS.find(t => t.id === leadOf(found)?.id)
    if (term && !out.includes(term)) out.push(term)
  }
  return out
}
