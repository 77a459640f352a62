import { LIST_DETAILS, type ListDetails } from '@otter/core'

/** Returns the details alone out of what holds them. */
export function detailsOf(holder: ListDetails): ListDetails {
  return Object.fromEntries(LIST_DETAILS.map((name) => [name, holder[name]])) as unknown as ListDetails
}
