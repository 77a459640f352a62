// Writes docs/api.json, the description of the API.
import { writeFileSync } from 'node:fs'
import { openApi } from '@otter/api/description'

writeFileSync(new URL('../docs/api.json', import.meta.url), `${JSON.stringify(openApi(), null, 1)}\n`)
