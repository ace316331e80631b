import { Caution } from './Caution'

/** Where creeping weeds are named: what ends a cover does not end them. Nothing where none are. */
export function CreepingCaution({ weeds }: { weeds: readonly string[] }) {
  if (weeds.length === 0) return null
  const names = weeds.join(' and ')
  return (
    <Caution>
      {`${names[0].toUpperCase()}${names.slice(1)} ${weeds.length > 1 ? 'are' : 'is'} named in this bed. Nothing here ends ${weeds.length > 1 ? 'them' : 'it'}: the ground will not be clear of ${weeds.length > 1 ? 'them' : 'it'}, and turning spreads the roots.`}
    </Caution>
  )
}
