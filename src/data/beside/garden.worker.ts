import { expose } from 'comlink'
import { gardenWork } from './gardenWork'

expose(gardenWork)
