import { fanInSkin } from './common'

/** Blows air in; as much goes out by its louvre, by what stands open, and by leaks. */
export const SUPPLY = fanInSkin('supply fan', 'Supply fan', 'Outlet louvre', 'in')
