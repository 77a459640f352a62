import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig, type Plugin } from 'vite'

const page = (name: string): string => fileURLToPath(new URL(name, import.meta.url))

// In development, the students' addresses lead to their page, as the server leads them.
const playPage: Plugin = {
  name: 'play-page',
  configureServer: ({ middlewares }) =>
    void middlewares.use((request, _response, next) => {
      if (/^\/(p\/[^/.]+|in)(\?|$)/u.test(request.url ?? '')) request.url = '/play.html'
      next()
    }),
}

/** What nearly every screen needs a little of: as files of their own, each would cost a round on a slow line. */
const SMALL =
  /web\/src\/(?:ui\/(?!QrCode|Choice|Dialog|Notice|OptionGrid|saveFile|openWorker|useRested|useSteady)|texts\/(?!Rich)\w+\.tsx?$|games\/(?!Wall|words|teacher|AskingOptions|LetterOptions|keyHelp|wallShape)\w+\.tsx?$|games\/\w+\/texts\.ts$|api\/client)|lucide-react|core\/src\/text\/cleanText/u

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
      output: { codeSplitting: { groups: [{ name: 'small', test: SMALL, minShareCount: 2 }] } },
    },
  },
})
