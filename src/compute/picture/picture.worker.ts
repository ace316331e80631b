import { expose } from 'comlink'
import { pictureWork } from './picture'

expose(pictureWork)
