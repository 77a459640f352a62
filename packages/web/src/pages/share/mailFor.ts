import { LANGUAGE_CODES, type OfferReply } from '@otter/api'
import { sayIn } from '../../texts/sayIn.ts'
import { shareTexts } from '../../texts/namespaces.ts'

/** Returns a text to send to students or their families, in the language of the class where there are words in it. */
export async function mailFor(
  { name, title, code, dueAt }: Pick<OfferReply, 'name' | 'title' | 'code' | 'dueAt'>,
  { address, classLanguage, timeZone }: { address: string; classLanguage: string; timeZone: string | undefined },
): Promise<{ subject: string; text: string }> {
  const known = LANGUAGE_CODES.find((code) => code === classLanguage.slice(0, 2))
  const { say, language } = await sayIn(known, shareTexts)
  const lines = [
    say('mail.play', { title: name || title }),
    address,
    say('mail.orCode', { door: new URL('/in', address).href, code }),
    ...(dueAt === null
      ? []
      : [
          say('mail.due', {
            when: new Intl.DateTimeFormat(language, { dateStyle: 'full', timeStyle: 'short', timeZone }).format(
              new Date(dueAt),
            ),
          }),
        ]),
  ]
  return { subject: say('mail.subject', { title: name || title }), text: lines.join('\n') }
}
