/** Where an address in a message leads from here: a booklet of ours opens where we are, whatever host the mail named. */
function leadsTo(address: string): string {
  if (!URL.canParse(address)) return address;
  const { pathname, hash } = new URL(address);
  return pathname.startsWith('/b/') ? pathname + hash : address;
}

/** Text with its addresses as links. */
export function Linked({ text }: { text: string }) {
  return text.split(/(https?:\/\/\S+)/).map((part, i) =>
    i % 2 === 1 ? (
      <a key={i} href={leadsTo(part)}>
        {part}
      </a>
    ) : (
      part
    ),
  );
}
