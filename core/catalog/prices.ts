import { NIGHT_COVERS } from './covers'
import { FUELS } from './fuels'
import { GLAZINGS } from './glazings'
import { MATERIALS, type MaterialId } from './materials'
import { vesselName, VESSELS } from './vessels'

/** What a price is for, as the price book lists them. */
export const PRICE_GROUPS = {
  material: 'Materials',
  glazing: 'Glazings',
  cover: 'Night covers',
  vessel: 'Vessels',
  part: 'Parts of the house',
  stock: 'Frame and fittings',
  device: 'Devices',
  work: 'Work',
  fuel: 'Fuels and water',
} as const
export type PriceGroup = keyof typeof PRICE_GROUPS

/** A price of the book: rough until a person gives their own. */
export interface PriceItem {
  /** Group and name, as in `glazing.glass-2`. */
  id: string
  group: PriceGroup
  name: string
  /** What it is for one of. */
  unit: string
  /** Money of the design's own currency, in round numbers: no quotation. */
  rough: number
}

/** So much of something at a price of the book. */
export interface CostPart {
  amount: number
  unit: 'm²' | 'm³' | 'm' | 'pieces'
  price: string
}

/** Materials, money per m³. */
const MATERIAL: Readonly<Record<MaterialId, number>> = {
  'eps': 110,
  'xps': 240,
  'pir': 260,
  'mineral-wool': 90,
  'wood-fibre': 260,
  'straw': 60,
  'softwood': 550,
  'plywood': 900,
  'steel-sheet': 16000,
  'brick': 450,
  'concrete': 220,
  'concrete-block': 260,
  'stone': 420,
  'rammed-earth': 180,
  'gabion': 190,
  'soil': 25,
  'gravel': 45,
  'clay-soil': 10,
  'sandy-soil': 25,
}
const OWN_MATERIAL = 250

type Row = readonly [name: string, label: string, unit: string, rough: number]
const PARTS: readonly Row[] = [
  ['frame', 'Eave, with what carries it', 'm²', 32],
  ['foundation', 'Foundation', 'm', 55],
  ['dig', 'Digging and carting', 'm³', 35],
  ['lobby', 'Entry lobby, by its floor', 'm²', 220],
  ['paint', 'Paint or foil on inner faces', 'm²', 3],
  ['shade', 'Shade strip', 'm²', 6],
  ['soil-film', 'Film or mulch over soil', 'm²', 1],
  ['row-cover', 'Sheet and hoops over beds', 'm²', 4],
  ['sealing', 'Tape, seals and foam: leaks halved once', 'm²', 2],
  ['channels', 'Pockets or channels for a cover’s edges', 'm²', 6],
  ['cover-motor', 'Motor of a cover', 'piece', 450],
  ['vent', 'Vents and louvres, free area', 'm²', 140],
  ['opener', 'Opener, wax or motor', 'piece', 60],
  ['window', 'Window', 'm²', 160],
  ['door', 'Door', 'm²', 150],
  ['roll-up', 'Roll-up side', 'm', 14],
  ['tank', 'Tank of sheet and liner, by its water', 'm³', 110],
  ['pond', 'Pond with its liner, by its water', 'm³', 60],
]
const STOCK: readonly Row[] = [
  ['lumber', 'Rafters, studs, plates and purlins', 'm', 4.5],
  ['metal', 'Rafters, studs, plates and purlins of metal', 'm', 8],
  ['rib', 'Ribs and hoops, bent', 'm', 9],
  ['connector', 'Straps, hangers and screws, each joint', 'piece', 2.5],
  ['anchor', 'Anchor of the sill or into the ground', 'piece', 9],
  ['bar', 'Reinforcing bar', 'm', 1.4],
  ['mesh', 'Steel mesh', 'm²', 5],
  ['forms', 'Form boards', 'm²', 12],
  ['icf', 'Insulated forms', 'm²', 45],
  ['block', 'Block of concrete', 'piece', 5],
  ['pile', 'Screw pile', 'piece', 95],
  ['post', 'Post or ground pipe', 'piece', 28],
  ['sleeper', 'Sleeper', 'm', 16],
  ['drain', 'Drain pipe with slots', 'm', 5],
  ['cloth', 'Filter cloth', 'm²', 1.5],
  ['vapour', 'Vapour layer', 'm²', 1.2],
  ['profile', 'Joint profile of sheets, with its screws', 'm', 7],
  ['closure', 'Closing profile of open flutes', 'm', 3],
  ['flute-tape', 'Tape over open flutes', 'm', 1.6],
  ['bead', 'Glazing bead and tape', 'm', 3],
  ['film-channel', 'Channel and wire that hold film', 'm', 3.2],
  ['foam-can', 'Can of foam', 'piece', 9],
  ['coupler', 'Coupler or bend of pipe', 'piece', 4],
  ['cap', 'Cap of pipe', 'piece', 3],
  ['pin', 'Pin that holds pipe down', 'piece', 0.5],
  ['manifold', 'Manifold, large pipe', 'm', 24],
  ['crank', 'Crank with its shaft', 'piece', 160],
  ['cable', 'Steel cable with its rings', 'm', 1.5],
  ['hinge', 'Hinge with its screws', 'piece', 6],
  ['seal', 'Seal of a leaf, by its length', 'm', 2],
  ['flashing', 'Flashing, bent', 'm', 11],
  ['drip', 'Sill or threshold with a drip', 'm', 9],
]
const DEVICES: readonly Row[] = [
  ['fan', 'Fan in the skin, each 1000 m³/h', 'piece', 110],
  ['duct-fan', 'Duct fan, each 100 m³/h', 'piece', 22],
  ['stirring-fan', 'Fan that stirs the air', 'piece', 70],
  ['pipe', 'Drain pipe, 100 mm, by its length', 'm', 4],
  ['channel', 'Channel under a bed', 'm', 6],
  ['misting', 'Misting, all its nozzles', 'piece', 180],
  ['blower', 'Blower between sheets of film', 'piece', 85],
  ['heater', 'Heater, each kW', 'piece', 70],
  ['stove', 'Stove with its flue', 'piece', 900],
  ['loop', 'Warm-water loop with its pump', 'piece', 350],
  ['lamp', 'Lamps, each 100 W', 'piece', 55],
  ['air-panel', 'Solar air panel', 'm²', 140],
  ['water-panel', 'Solar water panel', 'm²', 220],
  ['compost', 'Compost with its loop', 'piece', 250],
]

const items = (group: PriceGroup, rows: readonly Row[]): PriceItem[] =>
  rows.map(([name, label, unit, rough]) => ({ id: `${group}.${name}`, group, name: label, unit, rough }))

/** Items that the book had once: what was typed for them goes for nothing any more. */
export const RETIRED_PRICES: readonly string[] = ['part.bent-frame', 'part.bed']

/** Every price of the book. */
export const PRICE_ITEMS: readonly PriceItem[] = [
  ...items(
    'material',
    MATERIALS.map(m => [m.id, m.name, 'm³', MATERIAL[m.id as MaterialId]] as const),
  ),
  ...items('material', [['own', 'Material of one’s own', 'm³', OWN_MATERIAL]]),
  ...items(
    'glazing',
    GLAZINGS.map(g => [g.id, g.name, 'm²', g.pricePerM2] as const),
  ),
  ...items(
    'cover',
    NIGHT_COVERS.map(c => [c.id, c.name, 'm²', c.pricePerM2] as const),
  ),
  ...items(
    'vessel',
    VESSELS.map(v => [v.id, vesselName(v), 'piece', v.price] as const),
  ),
  ...items('part', PARTS),
  ...items('stock', STOCK),
  ...items('device', DEVICES),
  ...items('work', [['hour', 'An hour of work; 0 for your own hands', 'h', 0]]),
  ...items(
    'fuel',
    FUELS.map(f => [f.id, f.name, 'kWh', f.roughPrice] as const),
  ),
  ...items('fuel', [['water', 'Water from the main', 'm³', 2.5]]),
]
