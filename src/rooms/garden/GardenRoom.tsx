import { Link } from 'react-router'
import { useGarden } from '../../state/garden'
import { AddBeds } from './AddBeds'
import { BedTable } from './BedTable'
import { Files } from './Files'
import { Settings } from './Settings'

/** The garden itself: settings, beds, files, and the other gardens in this browser. */
export function GardenRoom() {
  const { data } = useGarden()
  return (
    <section className="max-w-5xl py-3">
      <div className="flex flex-wrap items-baseline gap-4">
        <h1>{data.garden.name}</h1>
        <span className="quiet">
          {Math.abs(data.garden.site.latitude)}° {data.garden.site.latitude < 0 ? 'S' : 'N'}
          {data.garden.demo
            ? '; a demo garden with a simulated weather station'
            : '; weather generated from its climate'}
        </span>
      </div>
      <Settings />
      <p className="mt-4 flex flex-wrap gap-2">
        <Link className="btn btn-sm min-h-11 sm:min-h-8" to="/weather">
          Place, climate and weather
        </Link>
        <Link className="btn btn-sm min-h-11 sm:min-h-8" to="/standing">
          What stands in the beds
        </Link>
        <Link className="btn btn-sm min-h-11 sm:min-h-8" to="/shed">
          Tools, animals, feed: in the shed
        </Link>
      </p>
      <h2 className="mt-6">Beds</h2>
      <BedTable />
      <AddBeds />
      <h2 className="mt-8">Files and gardens</h2>
      <Files />
      <p className="mt-4 flex flex-wrap gap-3">
        <Link className="btn" to="/start">
          Start your own
        </Link>
        <Link className="btn" to="/demo/marlpit-lane">
          Open Marlpit Lane (demo)
        </Link>
        <Link className="btn" to="/demo/harrier-point">
          Open Harrier Point (demo)
        </Link>
      </p>
    </section>
  )
}
