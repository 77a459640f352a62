import type { SecretPicture } from '@otter/core'
import {
  Anchor,
  Apple,
  Bell,
  Bird,
  Cat,
  Fish,
  Key,
  Moon,
  Sailboat,
  Sun,
  TreePine,
  Umbrella,
  type LucideIcon,
} from 'lucide-react'

/** What the pictures of a secret look like. */
export const DRAWN: Record<SecretPicture, LucideIcon> = {
  fish: Fish,
  boat: Sailboat,
  anchor: Anchor,
  sun: Sun,
  moon: Moon,
  tree: TreePine,
  apple: Apple,
  bell: Bell,
  key: Key,
  umbrella: Umbrella,
  bird: Bird,
  cat: Cat,
}
