import { swingOf, type Swing, type SwingSetting } from '@otter/core/games/pebbles'

addEventListener('message', ({ data }: MessageEvent<SwingSetting>) => {
  postMessage(swingOf(data) satisfies Swing)
})
