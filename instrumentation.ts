/** How often the server looks whether reminders are due, in milliseconds. */
const EVERY = 3600_000;

/** When the server has started: reminders that companies want sent by themselves go out from here, each once. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NODE_ENV === 'test') return;
  const { remindByItself } = await import('@/acts/money/reminders');
  const look = () => remindByItself(new Date()).catch((error: unknown) => console.error(error));
  setTimeout(look, 60_000).unref();
  setInterval(look, EVERY).unref();
}
