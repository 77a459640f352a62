/** How many there are of each part that an otter is put together from. */
export const LOOK_PARTS = { fur: 6, hat: 8, thing: 8 } as const
