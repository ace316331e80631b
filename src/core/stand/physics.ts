import { CALIBRATED } from '../plants/calibrated'

/**
 * Physics that all plants share and that no paper states to the digit: what each number means, its unit, what is stated of
 * it and the range it may lie in (judgement, after the sources named where it is used). The calibration moves them inside
 * their ranges.
 */
export const SHARED_PHYSICS = {
  /** Lemaire and Chapman 1996: leaf life of grasses and clovers. */
  shootLifeCd: { meaning: 'thermal life of a shoot that does not stretch', unit: '°C d', stated: 800, low: 500, high: 1100 },
  /** Winter cereals and rape sown in spring stay in leaf, rust and stop at a few tonnes (extension guides on spring-sown winter cereals). */
  coldWantingCd: { meaning: 'warmth in leaf from which plants that want cold first and have had none tire', unit: '°C d', stated: 450, low: 300, high: 700 },
  tiredLightUse: { meaning: 'light use left to them after as much warmth again', unit: 'share', stated: 0.15, low: 0.05, high: 0.4 },
  heatLossPerC: { meaning: 'growth that the heat of a day above what suits kills', unit: '°C⁻¹', stated: 0.01, low: 0.004, high: 0.018 },
  hotDayLossPerC: { meaning: 'plants that die of each °C of a day’s mean above what suits', unit: '°C⁻¹', stated: 0.012, low: 0.005, high: 0.02 },
  coldNightC: { meaning: 'night that stops the next day’s light use of plants that grow from 0 °C on', unit: '°C', stated: -6.5, low: -9, high: -4 },
  dormantGrowth: { meaning: 'growth that short days leave to perennials', unit: 'share', stated: 0.4, low: 0.2, high: 0.6 },
  selfShadingLai: { meaning: 'leaf area above which lower leaves are shaded out', unit: 'm² m⁻²', stated: 4.5, low: 3.5, high: 6 },
  /** Sinclair and de Wit 1975; Muchow et al. 1993: seed that fills takes its nitrogen from the leaves. */
  ripeLightUse: { meaning: 'light use left when seed has ripened to soft dough', unit: 'share', stated: 0.4, low: 0.2, high: 0.8 },
  hardeningPerC: { meaning: 'share of the gap to full hardiness closed per day and °C below 10', unit: '°C⁻¹', stated: 0.01, low: 0.005, high: 0.015 },
  softeningPerC: { meaning: 'share of the gap to no hardiness closed per day and °C above 10', unit: '°C⁻¹', stated: 0.02, low: 0.01, high: 0.03 },
  shelteringCm: { meaning: 'depth of snow that shelters two thirds of what snow can', unit: 'cm', stated: 8, low: 5, high: 12 },
  /** Portz 1967 and Perfect et al. 1987, on alfalfa and clovers sown late: a third to a half lifted by spring. */
  heavedShare: { meaning: 'small legumes that a night’s freezing and a day’s thawing of bare ground lift out', unit: 'share', stated: 0.012, low: 0.004, high: 0.02 },
  /** Form of Sinclair and Horie 1989: how light use falls with the nitrogen that is short. */
  hungerSlope: {
    meaning: 'light use per share of the critical nitrogen, less 0.2',
    unit: 'share',
    stated: 1.4,
    low: 1.25,
    high: 1.65,
  },
  uptakeShare: { meaning: 'soil nitrogen in reach in a day', unit: 'share', stated: 0.08, low: 0.05, high: 0.12 },
} as const satisfies Record<string, { meaning: string; unit: string; stated: number; low: number; high: number }> // prettier-ignore

export type SharedName = keyof typeof SHARED_PHYSICS
export const SHARED_NAMES = Object.keys(SHARED_PHYSICS) as SharedName[]

/** The values in use: as calibrated, else as stated. */
export const physics = Object.fromEntries(
  SHARED_NAMES.map((name) => [name, CALIBRATED.shared[name] ?? SHARED_PHYSICS[name].stated]),
) as Record<SharedName, number>
