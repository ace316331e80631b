import { z } from 'zod'
import { tool, toolKind, type Tool, type ToolKind } from '../../core/garden/tool'
import { usualWidthM } from '../../core/termination/workRates'
import { newToolId } from '../../actions/newTool'
import type { Units } from '../../text/format'
import { quantityOrNone } from '../form/codecs'

/** A tool with the figures that decide what it can do; its id once it has been stored. */
const toolText = z.object({
  id: z.string().optional(),
  kind: toolKind,
  width: z.string(),
  length: z.string(),
  rate: z.string(),
  load: z.string(),
  bought: z.string(),
  holes: z.string(),
})
export type ToolInput = z.infer<typeof toolText>

export const toolForm = (units: Units) =>
  z.codec(toolText, tool, {
    decode: ({ id, kind, ...figures }, context): Tool => {
      const read = (field: keyof typeof figures) => {
        const found = figureOf(field, kind, units).safeParse(figures[field])
        if (found.success) return found.data
        const { message } = found.error.issues[0]
        context.issues.push({ code: 'custom', path: [field], message, input: figures[field] })
        return null
      }
      const [widthM, lengthM, m2PerHour, loadKg, boughtIn, holesM] = (
        ['width', 'length', 'rate', 'load', 'bought', 'holes'] as const
      ).map(read)
      return {
        id: id ?? newToolId(),
        kind,
        widthM,
        lengthM,
        ...(m2PerHour !== null && { m2PerHour }),
        ...(loadKg !== null && { loadKg }),
        ...(boughtIn !== null && { boughtIn }),
        ...(holesM !== null && { holesM }),
      }
    },
    encode: (tool) => toolInputOf(tool, units),
  })

/** A figure of a tool as it is typed: m, m² an hour or kg. */
function figureOf(field: Exclude<keyof ToolInput, 'id' | 'kind'>, kind: ToolKind, units: Units) {
  const of = `The ${kind}’s`
  switch (field) {
    case 'width':
      return quantityOrNone('length', units, { name: `${of} width`, of: tool.shape.widthM })
    case 'length':
      return quantityOrNone('length', units, { name: `${of} length`, of: tool.shape.lengthM })
    case 'rate':
      return quantityOrNone('workRate', units, { name: `${of} work rate`, of: tool.shape.m2PerHour })
    case 'load':
      return quantityOrNone('weight', units, { name: `${of} weight on it`, of: tool.shape.loadKg })
    case 'holes':
      return quantityOrNone('depth', units, { name: `${of} hole spacing`, of: tool.shape.holesM })
    case 'bought':
      return quantityOrNone('count', units, { name: `${of} year`, of: tool.shape.boughtIn, whole: true })
  }
}

/** How wide a tool is taken to be where its owner does not say, as it would be typed. */
export const usualWidthText = (kind: ToolKind, units: Units): string =>
  figureOf('width', kind, units).encode(usualWidthM(kind) ?? null)

/** A tool ticked off, nothing said of it yet. */
export const blankTool = (kind: ToolKind): ToolInput => ({
  kind,
  width: '',
  length: '',
  rate: '',
  load: '',
  bought: '',
  holes: '',
})

/** A tool as it is typed in the garden's units. */
export const toolInputOf = (tool: Tool, units: Units): ToolInput => {
  const text = (field: Parameters<typeof figureOf>[0], value: number | null | undefined) =>
    figureOf(field, tool.kind, units).encode(value ?? null)
  return {
    id: tool.id,
    kind: tool.kind,
    width: text('width', tool.widthM),
    length: text('length', tool.lengthM),
    rate: text('rate', tool.m2PerHour),
    load: text('load', tool.loadKg),
    bought: text('bought', tool.boughtIn),
    holes: text('holes', tool.holesM),
  }
}
