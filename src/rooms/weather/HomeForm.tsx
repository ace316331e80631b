import { useMemo } from 'react'
import { changeHome } from '../../actions/changeGarden'
import type { SiteClimate } from '../../core/garden/site'
import { DraftOffer } from '../../parts/DraftOffer'
import { Form } from '../../parts/Form'
import { useTyped } from '../../parts/form/useTyped'
import { askedOf, homeForm, homeOf, homeValue } from '../../parts/home/homeForm'
import { HomeSection } from '../../parts/home/HomeSection'
import { useUsualYear } from '../../parts/home/useUsualYear'
import { useAct, useGarden } from '../../state/garden'

/** So far apart two normals of a month are not the same, °C. */
const OTHER_C = 0.5
const isOther = (a: SiteClimate, b: SiteClimate) =>
  (['tMaxC', 'tMinC'] as const).some((row) =>
    a[row].some((value, month) => Math.abs(value - b[row][month]) > OTHER_C),
  )

/** Where the garden lies and its usual year, from a town and what its grower corrects. */
export function HomeForm() {
  const { data } = useGarden()
  const { units, home, site } = data.garden
  const act = useAct()
  const schema = useMemo(() => homeForm(units), [units])
  const record = useMemo(() => ({ home, site }), [home, site])
  const form = useTyped({
    schema,
    draft: { name: 'home' },
    record,
    valueOf: (kept: typeof record) => homeValue(kept.home, kept.site),
  })
  const usual = useUsualYear(form.text, units)
  const save = form.submit(async ({ value }) => {
    const asked = askedOf(value)
    const year = asked && (await usual.settled(asked))
    if (!year) return false
    const { warmingCPerDecade } = site
    return act(changeHome(data.garden, homeOf(value), { ...year.site, warmingCPerDecade }))
  })
  return (
    <Form className="mt-2 flex flex-col gap-3" aria-label="Place and usual year" onSubmit={save}>
      <DraftOffer offer={form.offer} />
      <HomeSection form={form} units={units} usual={usual} />
      <div>
        <button className="btn btn-primary btn-sm">Use this year</button>{' '}
        <span className="quiet text-sm">It takes the place of the normals below.</span>
        {usual.year && isOther(usual.year.site, site) && (
          <p role="status" className="mt-1 border-l-4 border-warning pl-2">
            Until then the garden is computed with its own normals, which are others.
          </p>
        )}
      </div>
    </Form>
  )
}
