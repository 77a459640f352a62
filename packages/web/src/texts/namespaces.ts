import type problems from '@otter/api/texts/en/problems.json'
import type sheet from '@otter/api/texts/en/sheet.json'
import type account from './en/account.json'
import type common from './en/common.json'
import type credits from './en/credits.json'
import type help from './en/help.json'
import type list from './en/list.json'
import type lists from './en/lists.json'
import type live from './en/live.json'
import type livePlay from './en/livePlay.json'
import type names from './en/names.json'
import type play from './en/play.json'
import type print from './en/print.json'
import type report from './en/report.json'
import type results from './en/results.json'
import type share from './en/share.json'
import type signIn from './en/signIn.json'
import type student from './en/student.json'
import type classes from './en/classes.json'
import type start from './en/start.json'
import type unsent from './en/unsent.json'
import type teams from './en/teams.json'
import type wall from './en/wall.json'
import type wallPlay from './en/wallPlay.json'
import type { Texts } from './texts.ts'

export const accountTexts: Texts<typeof account> = { name: 'account' }
/** What teachers read everywhere. */
export const commonTexts: Texts<typeof common> = { name: 'common' }
export const problemTexts: Texts<typeof problems> = { name: 'problems' }
export const sheetTexts: Texts<typeof sheet> = { name: 'sheet' }
export const creditsTexts: Texts<typeof credits> = { name: 'credits' }
/** What the keys of the screens do. */
export const helpTexts: Texts<typeof help> = { name: 'help' }
export const listTexts: Texts<typeof list> = { name: 'list' }
export const listsTexts: Texts<typeof lists> = { name: 'lists' }
/** What teachers read where they keep names. */
export const namesTexts: Texts<typeof names> = { name: 'names' }
/** What students read around every game. */
export const playTexts: Texts<typeof play> = { name: 'play' }
/** What students read where the server has not got what they answered. */
export const unsentTexts: Texts<typeof unsent> = { name: 'unsent' }
/** What teachers, and classes on the wall, read of live sessions. */
export const liveTexts: Texts<typeof live> = { name: 'live' }
/** What students read in a live session, beside the game. */
export const livePlayTexts: Texts<typeof livePlay> = { name: 'livePlay' }
export const printTexts: Texts<typeof print> = { name: 'print' }
/** What teachers read of what students know. */
export const reportTexts: Texts<typeof report> = { name: 'report' }
export const resultsTexts: Texts<typeof results> = { name: 'results' }
export const shareTexts: Texts<typeof share> = { name: 'share' }
export const signInTexts: Texts<typeof signIn> = { name: 'signIn' }
/** What teachers read of their classes. */
export const classesTexts: Texts<typeof classes> = { name: 'classes' }
/** What students of a class read, beside their games. */
export const studentTexts: Texts<typeof student> = { name: 'student' }
export const startTexts: Texts<typeof start> = { name: 'start' }
/** What is read around every game that teams play on one screen. */
export const teamsTexts: Texts<typeof teams> = { name: 'teams' }
/** What teachers read where teams play at the wall. */
export const wallPlayTexts: Texts<typeof wallPlay> = { name: 'wallPlay' }
export const wallTexts: Texts<typeof wall> = { name: 'wall' }
