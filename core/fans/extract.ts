import { fanInSkin } from './common'

/** Draws air out; what comes in for it comes by its louvre, by what stands open, and by leaks. */
export const EXTRACT = fanInSkin('extract fan', 'Extract fan', 'Inlet louvre', 'out')
