import { agreeOn } from './testing/agreeingPages'

agreeOn(0)
