import { Link } from 'react-router'
import { useGarden } from '../../state/garden'
import { AddBeds } from './AddBeds'
import { BedTable } from './BedTable'
import { Feeds } from './Feeds'
import { Files } from './Files'
import { Livestock } from './Livestock'
import { Settings } from './Settings'

/** The garden itself: settings, beds, tools, files, and the other gardens in this browser. */
export function GardenRoom() {
  const { data } = useGarden()
  return (
    <section className="max-w-5xl py-3">
      <div className="flex flex-wrap items-baseline gap-4">
        <h1>{data.garden.name}</h1>
        <span className="quiet">
          {Math.abs(data.garden.site.latitude)}° {data.garden.site.latitude < 0 ? 'S' : 'N'},{' '}
          {Math.round(data.garden.site.elevationM)} m
          {data.garden.demo
            ? '; a demo garden with a simulated weather station'
            : '; weather generated from its climate'}
        </span>
      </div>
      <Settings />
      <Livestock />
      <Feeds />
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
