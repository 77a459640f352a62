// Runs in a server under measurement: collects garbage when it is asked, and tells what is held then.
process.on('message', (message) => {
  if (message !== 'collect') return
  globalThis.gc()
  const { heapUsed, external } = process.memoryUsage()
  process.send({ held: heapUsed + external })
})
// The server ends without being waited for; its workers have no channel.
process.channel?.unref()
