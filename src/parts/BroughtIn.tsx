import { Caution } from './Caution'

/** What bought hay, straw, compost and manure may carry, and how to find out: asked of the seller, then tried on beans. */
export function BroughtIn({ what = 'hay, straw, compost or manure' }: { what?: string }) {
  return (
    <Caution>
      Bought {what} may carry weedkiller that outlasts composting. Ask what was sprayed on it. Then try it:
      sow beans in some of it and in clean soil; if after three weeks their leaves cup or curl, keep it off
      the beds.
    </Caution>
  )
}
