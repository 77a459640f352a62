import { Suspense, useEffect, useState, type ComponentType, type ReactNode } from 'react'
import { commonTexts } from '../texts/namespaces.ts'
import { useTexts } from '../texts/texts.ts'
import { Notice } from './Notice.tsx'

/** A part of a page that is fetched when it is first shown, or before by `fetch`. */
export type LaterPart<Props> = ComponentType<Props> & { fetch: () => Promise<unknown> }

/**
 * Returns a part of a page that is fetched when it is first shown. Where it can't be, it says so, and is fetched once
 * there is a connection again: the page around it stands, with what was typed there.
 */
export function later<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  waiting: ReactNode = null,
): LaterPart<Props> {
  const fetched: { part?: ComponentType<Props> } = {}
  const fetch = async (): Promise<ComponentType<Props>> => (fetched.part ??= await load())
  function Later(props: Props) {
    const [Part, setPart] = useState<ComponentType<Props> | undefined>(() => fetched.part)
    const t = useTexts(commonTexts)
    const [hasFailed, setFailed] = useState(false)
    useEffect(() => {
      if (Part) return
      let isShown = true
      const take = (): void =>
        void fetch().then(
          (part) => isShown && setPart(() => part),
          () => isShown && setFailed(true),
        )
      take()
      addEventListener('online', take)
      return () => {
        isShown = false
        removeEventListener('online', take)
      }
    }, [Part])
    if (!Part) return hasFailed ? <Notice error={new Error(t('notFetched'))} /> : waiting
    return (
      <Suspense fallback={waiting}>
        <Part {...props} />
      </Suspense>
    )
  }
  return Object.assign(Later, { fetch })
}
