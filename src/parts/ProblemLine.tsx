/** What is wrong with a form as a whole, said aloud; nothing when all is well. */
export function ProblemLine({ text }: { text: string | null }) {
  if (!text) return null
  return (
    <p role="alert" className="mt-1 font-semibold text-error">
      {text}
    </p>
  )
}
