import { isEqual as equal } from 'es-toolkit/predicate'
import { z } from 'zod'
import { changeSettings } from '../../actions/changeGarden'
import type { Garden } from '../../core/garden/schema'
import type { Tool } from '../../core/garden/tool'
import { Form } from '../../parts/Form'
import { useTyped } from '../../parts/form/useTyped'
import { ProblemLine } from '../../parts/ProblemLine'
import { toolForm, toolInputOf } from '../../parts/tools/forms'
import { ToolFields } from '../../parts/tools/ToolFields'
import { useAct, useGarden } from '../../state/garden'
import type { Units } from '../../text/format'

const toolsForm = (units: Units) => z.object({ tools: z.array(toolForm(units)) })

/** Tools, sheets and films that are owned, with their sizes and own work rates. */
export function Tools() {
  const { data } = useGarden()
  const act = useAct()
  const { garden } = data
  const { units } = garden
  const form = useTyped({
    schema: toolsForm(units),
    draft: { name: 'tools' },
    record: garden,
    valueOf: ({ tools }: Garden) => ({ tools }),
  })
  const save = form.submit(({ seen, part: { tools } }) =>
    act(changeSettings(seen, tools ? { tools: tools.map((tool) => asStored(tool, seen)) } : {})),
  )
  return (
    <Form className="mt-2" aria-label="Tools" onSubmit={save}>
      <ToolFields tools={form.text.tools} onChange={(tools) => form.set({ tools })} units={units} />
      <ProblemLine text={form.problemsIn('tools')[0] ?? null} />
      <button className="btn btn-primary btn-sm mt-3 min-h-11 sm:min-h-8">Save tools</button>
    </Form>
  )
}

/** A tool of which nothing was changed keeps its exact figures. */
function asStored(tool: Tool, { tools, units }: Garden): Tool {
  const known = tools.find(({ id }) => id === tool.id)
  return known && equal(toolInputOf(known, units), toolInputOf(tool, units)) ? known : tool
}
