import { Caution } from './Caution'

/** What bought hay, straw, compost and manure may carry, and how to find out: asked of the seller, then tried on beans. */
export function BroughtIn({ what = 'hay, straw, compost or manure' }: { what?: string }) {
  return (
    <Caution>
      Bought {what} can carry weedkiller that outlasts composting. Ask what was sprayed on it, and sow beans
      in some of it first: keep it off the beds if their leaves cup or curl within three weeks.
    </Caution>
  )
}
