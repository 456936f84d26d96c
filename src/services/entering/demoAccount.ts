/** The account of the demo's owner, which is published. It exists only in a database that is a demo. */
export const demoAccount = { email: 'perrin@quillbank.example', password: 'porch-swing-42' } as const;
