/** The pictures of which a young student's secret is made: each can be told from all others at a glance. */
export const SECRET_PICTURES = [
  'fish',
  'boat',
  'anchor',
  'sun',
  'moon',
  'tree',
  'apple',
  'bell',
  'key',
  'umbrella',
  'bird',
  'cat',
] as const
export type SecretPicture = (typeof SECRET_PICTURES)[number]

/** How many of them a secret has, in order. */
export const PICTURES_OF_SECRET = 3
