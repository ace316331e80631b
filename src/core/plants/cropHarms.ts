import type { Crop } from './crops'
import type { Creature, Harm } from './parameters'

const ALL = ['dogs', 'poultry', 'ruminants', 'horses', 'pigs', 'rabbits'] as const

type Rule = { of: (crop: Crop) => boolean; who: readonly Creature[]; level: Harm['level']; why: string }

const named =
  (...ids: readonly string[]) =>
  ({ id }: Pick<Crop, 'id'>) =>
    ids.includes(id)
const family = (name: string) => (crop: Pick<Crop, 'family'>) => crop.family === name

/** What spent crops can do to animals put on them (extension): `avoid` where they must not come to it. */
const RULES: readonly Rule[] = [
  {
    of: family('Solanaceae'),
    who: ALL,
    level: 'avoid',
    why: 'Leaves, stems and green fruit or tubers of nightshades are poisonous. Clear them off first.',
  },
  { of: named('rhubarb'), who: ALL, level: 'avoid', why: 'Its leaves are poisonous. Clear them off first.' },
  {
    of: named('larkspur', 'sweet-pea', 'gladiolus'),
    who: ALL,
    level: 'avoid',
    why: 'It is poisonous, seed and leaves. Clear it off first.',
  },
  {
    of: family('Amaryllidaceae'),
    who: ['dogs', 'ruminants', 'horses', 'rabbits'],
    level: 'avoid',
    why: 'Onions and their kin break red blood cells. Clear them off first.',
  },
  {
    of: family('Amaryllidaceae'),
    who: ['poultry', 'pigs'],
    level: 'caution',
    why: 'Much of onions and their kin harms the blood and taints eggs and meat.',
  },
  {
    of: named('bean', 'dry-bean', 'pole-bean'),
    who: ['poultry', 'pigs', 'rabbits', 'dogs'],
    level: 'avoid',
    why: 'Raw ripe beans are poisonous. Take all pods off first.',
  },
  {
    of: family('Brassicaceae'),
    who: ['ruminants', 'horses', 'rabbits'],
    level: 'caution',
    why: 'Much of it bloats and harms the thyroid; give it with hay.',
  },
  {
    of: family('Amaranthaceae'),
    who: ['ruminants', 'rabbits', 'poultry'],
    level: 'caution',
    why: 'Tops hold oxalate: a little, with other feed.',
  },
  {
    of: named('dahlia', 'nigella', 'asparagus', 'parsnip'),
    who: ALL,
    level: 'caution',
    why: 'Parts of it irritate or upset; keep them from eating much.',
  },
  {
    of: (crop) => crop.id.endsWith('-grain'),
    who: ALL,
    level: 'caution',
    why: 'Look for ergot, dark horns among the grain, and let them on spilt grain slowly.',
  },
]

/** What a spent crop can do to an animal, the worst first. */
export const cropHarms = (crop: Crop, who: Creature): Pick<Harm, 'level' | 'why'>[] =>
  RULES.filter((rule) => rule.of(crop) && rule.who.includes(who))
    .map(({ level, why }) => ({ level, why }))
    .sort((a, b) => Number(b.level === 'avoid') - Number(a.level === 'avoid'))
