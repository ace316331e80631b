import { centimetres, type Units } from '../../text/format'
import { Why } from '../Why'

/** What a picture is drawn from. */
export function PictureWhy({ units }: { units: Units }) {
  return (
    <Why label="how true is the picture?">
      Height, stage, plants alive, mulch, wetness and warmth are the middle of two hundred seasons on that
      day, to scale; the bracket is the range of 8 in 10. Shapes are ours. Roots go down by the warmth since
      coming up, grasses about {centimetres(0.12, units)} and tap roots {centimetres(0.18, units)} for every
      hundred degree-days (after Thorup-Kristensen 2001; a third either way), and stop at hard layers that
      nobody has recorded. The crop after it is drawn by its usual size.
    </Why>
  )
}
