import { stepsHold } from './axe'

stepsHold({ theme: 'night', width: 390, height: 844, units: 'us' })
