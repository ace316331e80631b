import { z } from 'zod'
import type { Recipe } from '../../core/seeding/recipe'
import { againstTag, type TagReason } from '../../core/seeding/tagRate'
import { Form } from '../../parts/Form'
import { TypedText, TypedTick } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { decimal, grams, percent, rate, type Units } from '../../text/format'
import { readTagRate } from '../../text/tagRate'

const schema = z.object({ tag: z.string().max(60, 'Use 60 characters or fewer.'), broadcast: z.boolean() })

function reasonWords(reason: TagReason, units: Units): string {
  switch (reason.why) {
    case 'broadcast':
      return `the tag is taken for a drill: thrown by hand less comes up, so times ${decimal(reason.factor)}`
    case 'share':
      return `only ${percent(reason.share)} of the full rate is planned`
    case 'germination':
      return `of your seed ${percent(reason.germination)} grows, where ${percent(reason.usual)} is usual`
    case 'source':
      return `the published drilled rate here is ${rate(reason.drillGM2, units)}`
  }
}

/** The rate that the tag or packet states beside the recipe, and what makes the difference. */
export function TagRate({ recipe, standId, units }: { recipe: Recipe; standId: string; units: Units }) {
  const form = useTyped({ schema, draft: { name: `tag ${standId}` }, blank: { tag: '', broadcast: false } })
  const { tag: text, broadcast } = form.text
  const tag = readTagRate(text)
  const told = tag && againstTag(recipe, tag, broadcast)
  const example = units === 'imperial' ? '2–3 lb per 1000 sq ft' : '200 g for 10 m²'
  return (
    <details className="mt-3" open={form.begun || undefined}>
      <summary className="cursor-pointer font-semibold">The tag says another rate?</summary>
      <Form className="mt-2 flex flex-wrap items-start gap-3" aria-label="Tag">
        <TypedText form={form} name="tag" label="Rate on the tag" className="w-56" placeholder={example} />
        <TypedTick form={form} name="broadcast" label="it is for broadcasting" />
      </Form>
      {text.trim() !== '' && !tag && (
        <p role="alert" className="mt-1">
          A weight on a ground, such as {example}.
        </p>
      )}
      {told && (
        <p className="mt-1" data-testid="tag-rate" data-help="tag-rate">
          The tag: {grams(told.tagLowG, units)}
          {told.tagHighG > told.tagLowG * 1.01 ? ` to ${grams(told.tagHighG, units)}` : ''} here. The recipe:{' '}
          {grams(told.recipeG, units)}
          {told.reasons.length === 0 && Math.abs(told.ratio - 1) <= 0.1
            ? ', the same within a tenth.'
            : `, ${decimal(told.ratio)} times that: ${told.reasons.map((reason) => reasonWords(reason, units)).join('; ') || 'rounded to the scale'}.`}
        </p>
      )}
    </details>
  )
}
