import { agreeOn } from './testing/agreeingPages'

agreeOn(25, 50)
