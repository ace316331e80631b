import { z } from 'zod'
import { stand } from '../../core/garden/schema'
import { chosen, day, quantity } from '../../parts/form/codecs'
import type { Units } from '../../text/format'

/** Water given by hand, between the sowing and today. */
export const waterForm = (sownDay: number, today: number, units: Units) =>
  z.object({
    day: day((given) =>
      given < sownDay || given > today ? 'Choose a day between the sowing and today.' : null,
    ),
    mm: quantity('rain', units, { name: 'Water given', of: stand.shape.waterings.element.shape.mm }),
  })

/** A disease, pest or worst weed of a bed. */
export const troubleForm = (today: number) =>
  z.object({
    day: day((seen) => (seen > today ? 'Choose today or an earlier day.' : null)),
    family: chosen('Plant family: choose the one that suffered.'),
    what: z
      .string()
      .trim()
      .min(1, 'Trouble: say what it was, such as clubroot.')
      .max(80, 'Trouble: at most 80 signs.'),
  })
