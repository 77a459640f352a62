// Bundles the server anew whenever its sources change, and serves the pages from theirs.
import { createServer as createHttpServer } from 'node:http'
import { join } from 'node:path'
import { SERVER_BUNDLE } from './build.mjs'
import { home } from './install.mjs'

/** A bundle of its own, so that tests and `npm start` can run beside it. */
const DEVELOPED = join(home, 'packages/server/dist-dev')

/**
 * Bundles the server and goes on watching; `onServer` is called after every later bundle that worked. Returns a function
 * that serves the pages on a port, and what goes to the API by the server's; and one that ends the bundler's process, which
 * would outlive this one.
 */
export async function develop(port, serverPort, onServer) {
  const [{ context, stop }, { createServer }] = await Promise.all([import('esbuild'), import('vite')])
  let isFirst = true
  const tellServer = {
    name: 'tell-server',
    setup: (bundle) =>
      bundle.onEnd(({ errors }) => {
        if (errors.length > 0) return
        if (!isFirst) onServer()
        isFirst = false
      }),
  }
  const bundle = await context({ ...SERVER_BUNDLE, outdir: DEVELOPED, plugins: [tellServer] })
  await bundle.rebuild()
  await bundle.watch()
  // In a server of ours, Vite leaves Ctrl-C to the start command, which stops the database too.
  const web = createHttpServer()
  const pages = await createServer({
    root: join(home, 'packages/web'),
    configFile: join(home, 'packages/web/vite.config.ts'),
    server: {
      middlewareMode: { server: web },
      hmr: { server: web },
      proxy: { '/api': `http://127.0.0.1:${serverPort}` },
    },
    logLevel: 'warn',
  })
  web.on('request', pages.middlewares)
  return { listen: () => new Promise((resolve) => web.listen(port, resolve)), close: stop }
}
