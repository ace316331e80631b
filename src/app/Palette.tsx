import { Command } from 'cmdk'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import type { GardenData } from '../core/garden/schema'
import { SPECIES } from '../core/plants/catalogue'
import { METHODS, methodName } from '../core/termination/methods'
import { useGarden } from '../state/garden'
import { standName, standState } from '../text/names'
import { fits } from './paletteWords'
import { PLACES } from './places'
import { placeText } from '../text/bed'

/** Somewhere to go, by all words that it may be looked for with. */
type Target = { group: string; name: string; words: string; to: string }

function standTargets(data: GardenData): Target[] {
  const beds = new Map(data.beds.map((bed) => [bed.id, bed]))
  const sections = new Map(data.garden.sections.map(({ id, name }) => [id, name]))
  return data.stands.flatMap((stand): Target[] => {
    const bed = beds.get(stand.bedId)
    if (!bed || stand.content.kind !== 'cover') return []
    const name = standName(stand).toLowerCase()
    const where = `${bed.label} ${sections.get(bed.sectionId) ?? ''} ${name}`
    const target = (verb: string, path: string, more: string): Target => ({
      group: bed.label,
      name: `${verb}: ${name} in ${placeText(bed, stand.segment, data.garden.units)}`,
      words: `${verb} ${more} ${where}`,
      to: `/${path}/${stand.id}`,
    })
    switch (standState(stand)) {
      case 'planned':
        return [
          target('Weigh seed', 'sow', 'sow recipe throw'),
          target('Plan the end', 'end', 'terminate kill'),
        ]
      case 'growing':
        return [
          target('Check', 'check', 'look stage'),
          target('Watch', 'watch', 'forecast growth'),
          target('End', 'end', 'terminate kill crimp tarp chop'),
          target('Plant into it', 'plant', 'after crop'),
        ]
      case 'ended':
        return [target('Count again', 'end', 'after regrowth'), target('Plant into it', 'plant', 'crop')]
    }
  })
}

function targetsOf(data: GardenData): Target[] {
  const sections = new Map(data.garden.sections.map(({ id, name }) => [id, name]))
  const beds = [...data.beds].sort((a, b) => a.walkOrder - b.walkOrder)
  return [
    ...PLACES.map(({ path, name }) => ({ group: 'Places', name, words: name, to: path })),
    { group: 'Places', name: 'Weather', words: 'weather frost rain climate station', to: '/weather' },
    { group: 'Places', name: 'Bare ground', words: 'bare ground gaps weeks choose', to: '/choose' },
    { group: 'Places', name: 'Check a bed', words: 'check look walk', to: '/check' },
    { group: 'Places', name: 'What stands in the beds', words: 'what stands grows already', to: '/standing' },
    ...standTargets(data),
    ...beds.flatMap(({ id, label, sectionId }) => {
      const section = sections.get(sectionId) ?? ''
      return [
        {
          group: 'Beds',
          name: `Bed ${label}, ${section}`,
          words: `bed ${label} ${section}`,
          to: `/bed/${id}`,
        },
        {
          group: 'Beds',
          name: `Choose a cover for ${label}`,
          words: `choose cover ${label} ${section}`,
          to: `/choose/${id}`,
        },
      ]
    }),
    ...SPECIES.map(({ id, name, scientificName }) => ({
      group: 'Reference',
      name,
      words: `${name} ${scientificName}`,
      to: `/reference/${id}`,
    })),
    ...METHODS.map((method) => ({
      group: 'Reference',
      name: methodName(method, 1),
      words: `${methodName(method, 1)} method way`,
      to: '/reference#methods',
    })),
  ]
}

/** Targets shown at once: nobody reads more. */
const SHOWN = 40

/** Where to go, by a few words: “rye L4”, “check yard”, “weigh seed for P2”. */
export function Palette({ onClose }: { onClose: () => void }) {
  const { data } = useGarden()
  const navigate = useNavigate()
  const [typed, setTyped] = useState('')
  const targets = useMemo(() => targetsOf(data), [data])
  const found = useMemo(
    () => targets.filter(({ words }) => fits(words, typed)).slice(0, SHOWN),
    [targets, typed],
  )
  return (
    <Command.Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      label="Look for"
      shouldFilter={false}
      loop
      overlayClassName="fixed inset-0 z-50 bg-black/40"
      contentClassName="fixed inset-x-4 top-16 z-50 mx-auto max-w-xl border border-base-300 bg-base-100 p-3 shadow-lg"
    >
      <Command.Input
        className="input h-11 w-full"
        value={typed}
        onValueChange={setTyped}
        placeholder="a bed, a cover, what to do: rye L4, check yard"
      />
      <Command.List className="mt-2 max-h-[60vh] overflow-y-auto">
        {found.length === 0 && <p className="px-3 py-2">Nothing of that name in this garden.</p>}
        {found.map(({ name, group, words, to }) => (
          <Command.Item
            key={`${to} ${name}`}
            value={`${to} ${name} ${words}`}
            className="flex min-h-11 cursor-pointer items-center justify-between gap-4 px-3 data-[selected=true]:bg-base-200"
            onSelect={() => {
              onClose()
              void navigate(to)
            }}
          >
            <span>{name}</span>
            <span className="quiet text-sm">{group}</span>
          </Command.Item>
        ))}
      </Command.List>
    </Command.Dialog>
  )
}
