// Ends the program where Node.js is too old. Imported before anything else, all of which an old one could not even read:
// so nothing new is used here.
const [major, minor] = process.versions.node.split('.').map(Number)
const isEnough = major >= 24 || (major === 22 && minor >= 12) || (major === 20 && minor >= 19)
if (!isEnough) {
  console.error(
    `Node.js ${process.versions.node} does not fit: install Node.js 24, or 22.12 or 20.19 and what came after them, and try again.`,
  )
  process.exit(1)
}
