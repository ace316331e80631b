import type { SeedLot } from '../../core/garden/seed'
import { findSpecies } from '../../core/plants/catalogue'
import { germinationOf } from '../../core/seeding/lots'
import { grams, percent, type Units } from '../../text/format'

/** Labels for bags and jars; seen only on paper. */
export function Labels({ lots, units, year }: { lots: readonly SeedLot[]; units: Units; year: number }) {
  return (
    <div className="print-only grid grid-cols-2 gap-3">
      {lots.map((lot) => {
        const plant = findSpecies(lot.contents[0].speciesId)
        return (
          <div key={lot.id} className="border border-black p-3">
            <p className="font-display text-lg font-bold">{lot.label}</p>
            <p>{plant?.scientificName}</p>
            <p>
              {lot.year}, {grams(lot.leftGrams, units)}, germinates{' '}
              {percent(germinationOf(lot, plant?.family ?? '', year).mid)}
            </p>
            {plant?.inoculantGroup && <p>Inoculant: {plant.inoculantGroup}</p>}
            {lot.treated && <p className="font-bold">TREATED SEED. Never eat, feed or handle bare.</p>}
          </div>
        )
      })}
    </div>
  )
}
