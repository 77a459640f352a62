import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig, type Plugin, type Rolldown } from 'vite'

const page = (name: string): string => fileURLToPath(new URL(name, import.meta.url))

// In development, the students' addresses lead to their page, as the server leads them.
const playPage: Plugin = {
  name: 'play-page',
  configureServer: ({ middlewares }) =>
    void middlewares.use((request, _response, next) => {
      if (/^\/([pe]\/[^/.]+|in|student|class(\/[^/.]+)?)(\?|$)/u.test(request.url ?? '')) request.url = '/play.html'
      next()
    }),
}

/** What nearly every screen needs a little of: as files of their own, each would cost a round on a slow line. */
const SMALL =
  /web\/src\/(?:ui\/(?!QrCode|Choice|Dialog|Notice|later|OptionGrid|saveFile|openWorker|useRested|useSteady|useDrag|numbers)|texts\/(?!Rich|fetchTexts)\w+\.tsx?$|games\/(?!Wall|Fitted|Turns|words|teacher|AskingOptions|LetterOptions|keyHelp|wallShape)\w+\.tsx?$|games\/\w+\/texts\.ts$|api\/(?:client|framed))|lucide-react\/dist\/esm\/(?!icons)|core\/src\/text\/cleanText/u

/** Icons that students see: the others stay off their page. */
const STUDENT_ICONS =
  /lucide-react\/dist\/esm\/icons\/(?:check|chevron-(?:left|right)|delete|lightbulb|rotate-ccw|speech|volume-2|x|zoom-in|zoom-out)\.m?js/u

/** Icons of the games of teams: fetched with the game, and on no other student's page. */
const TEAM_ICONS =
  /lucide-react\/dist\/esm\/icons\/(?:anchor|arrow-down-up|corner-up-left|droplets|eye|fish|gift|life-buoy|mountain|redo-2|refresh-cw|ship|waves-horizontal|wind)\.m?js/u

/** Returns the modules that a page's script brings, by their ids; with those that it fetches later, where asked for. */
function modulesFrom(script: string, context: Rolldown.ChunkingContext, withLater: boolean): Set<string> {
  const found = new Set<string>()
  const open = [page(script)]
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (found.has(id)) continue
    found.add(id)
    const module = context.getModuleInfo(id)
    open.push(...(module?.importedIds ?? []), ...(withLater ? (module?.dynamicallyImportedIds ?? []) : []))
  }
  return found
}

/**
 * Returns what tells whether a module is there from the start on every teacher's page, and on no student's: together they
 * are one file, since each small one would cost a round on a slow line.
 */
function teachersAlone(): (id: string, context: Rolldown.ChunkingContext) => boolean {
  let sets: { teachers: Set<string>; students: Set<string> } | undefined
  return (id, context) => {
    sets ??= {
      teachers: modulesFrom('src/main.tsx', context, false),
      students: modulesFrom('src/play.tsx', context, true),
    }
    return sets.teachers.has(id) && !sets.students.has(id)
  }
}

const isTeachersAlone = teachersAlone()

// Two pages: the teachers' application, and the small one that students open on their phones.
export default defineConfig({
  plugins: [react(), tailwindcss(), playPage],
  worker: { format: 'es' },
  build: {
    outDir: page('../../dist/web'),
    emptyOutDir: true,
    target: 'es2022',
    rolldownOptions: {
      input: { index: page('index.html'), play: page('play.html') },
      output: {
        codeSplitting: {
          groups: [
            { name: 'small', test: (id) => SMALL.test(id) || STUDENT_ICONS.test(id), minShareCount: 2, priority: 2 },
            // Around every game, alone, live or in a class: small files of their own would cost more than they hold.
            {
              name: 'player',
              test: /web\/src\/(?:pages\/play\/(?:Frame|Playing|useProblemText)|live\/useSocket|api\/tokenHeader)/u,
              minShareCount: 2,
              priority: 2,
            },
            {
              name: 'icons',
              test: (id) => /lucide-react/u.test(id) && !TEAM_ICONS.test(id),
              minShareCount: 2,
              priority: 1,
            },
            {
              debugName: 'teachers',
              name: (id, context) => (isTeachersAlone(id, context) ? 'teachers' : null),
              includeDependenciesRecursively: false,
            },
          ],
        },
      },
    },
  },
})
