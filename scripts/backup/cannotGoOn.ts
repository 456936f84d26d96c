/** Why a backup or a restore is not made, in a sentence for whoever runs the machine. */
export class CannotGoOn extends Error {}
