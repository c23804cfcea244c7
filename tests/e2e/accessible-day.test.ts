import { DAY, stepsHold } from './axe'

stepsHold(DAY)
