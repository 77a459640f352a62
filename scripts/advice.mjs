/** An error that a person can mend: its message is all there is to say. */
export class Advice extends Error {}
