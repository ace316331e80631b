import { Link } from 'react-router'
import { Feeds } from './Feeds'
import { Livestock } from './Livestock'
import { Measures } from './Measures'
import { MulchStore } from './MulchStore'
import { SeedAtHand } from './SeedAtHand'
import { SheetsLying } from './SheetsLying'
import { Tools } from './Tools'

/** What the shed holds, under the names that the links at its door have. */
const SHELVES = [
  ['seed', 'Seed'],
  ['measures', 'Hands and paces'],
  ['tools', 'Tools and sheets'],
  ['animals', 'Animals'],
  ['mulch', 'Mulch'],
  ['feeds', 'Compost and feed'],
] as const

/** Seed, tools, sheets, animals, feed, hands and paces: all that the work is done with. */
export function ShedRoom() {
  return (
    <section className="py-3">
      <div className="no-print flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <h1>Shed</h1>
        <nav aria-label="In the shed" className="flex flex-wrap gap-x-4">
          {SHELVES.map(([id, name]) => (
            <a key={id} className="link py-1.5" href={`#${id}`}>
              {name}
            </a>
          ))}
        </nav>
      </div>
      <section id="seed" aria-label="Seed" className="mt-3 scroll-mt-4">
        <div className="no-print flex flex-wrap items-baseline gap-x-5">
          <h2>Seed</h2>
          <Link className="link py-1.5" to="/sow">
            Sowings planned; one batch for several beds
          </Link>
        </div>
        <SeedAtHand />
      </section>
      <div className="no-print mt-8 grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-2">
        <section id="measures" aria-label="Own measures" className="min-w-0 scroll-mt-4 lg:col-span-2">
          <h2>Hands and paces</h2>
          <Measures />
        </section>
        <section id="tools" aria-label="Tools and sheets" className="min-w-0 scroll-mt-4 lg:col-span-2">
          <h2>Tools and sheets</h2>
          <Tools />
          <SheetsLying />
        </section>
        <section id="mulch" aria-label="Mulch in store" className="min-w-0 scroll-mt-4 lg:col-span-2">
          <h2>Mulch in store</h2>
          <MulchStore />
        </section>
        <div id="animals" className="min-w-0 scroll-mt-4">
          <Livestock />
        </div>
        <div id="feeds" className="min-w-0 scroll-mt-4">
          <Feeds />
        </div>
      </div>
    </section>
  )
}
