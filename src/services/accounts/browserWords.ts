import Bowser from 'bowser';

/** A browser as people call it, as “Firefox on Windows”, from what it says of itself. */
export function browserWords(userAgent: string): string {
  if (userAgent.trim() === '') return 'Unknown browser';
  const { browser, os } = Bowser.parse(userAgent);
  const name = browser.name || 'Unknown browser';
  return os.name ? `${name} on ${os.name}` : name;
}
