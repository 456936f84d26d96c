/** A message that leaves the house. */
export interface Letter {
  /** One address, or several with commas between them. */
  readonly to: string;
  readonly subject: string;
  readonly body: string;
}

/** What became of it. */
export interface Delivery {
  readonly state: 'delivered' | 'returned';
}

/** The way messages go out. */
export interface Post {
  deliver(letter: Letter): Delivery;
}

/**
 * The stand-in: nothing leaves the machine. Messages are read in the outbox; addresses at `returned.example` come back,
 * so that this can be seen too.
 */
export const simulatedPost: Post = {
  deliver: ({ to }) => ({
    state: /@returned\.example(,|$)/.test(to.toLowerCase()) ? 'returned' : 'delivered',
  }),
};
