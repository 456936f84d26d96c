/** When the server has started: reminders that companies want sent by themselves go out from here, each once. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NODE_ENV === 'test') return;
  const { remindByItself } = await import('@/acts/money/reminders');
  const { nowAndThen } = await import('@/acts/nowAndThen');
  nowAndThen(() => remindByItself(new Date()), {
    first: 60_000,
    every: 3600_000,
    tell: (error) => console.error(error),
  });
}
