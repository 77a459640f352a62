import type { ApiError } from '../../api/client.ts'
import { studentTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'
import { useProblemText } from '../play/useProblemText.ts'

/** Returns what puts a problem in a student's words, where it may be about the class. */
export function useClassProblem(): (problem: ApiError) => string {
  const t = useTexts(studentTexts)
  const text = useProblemText()
  return (problem) =>
    problem.code !== undefined && t.has(`problem.${problem.code}`) ? t.coded(`problem.${problem.code}`) : text(problem)
}
