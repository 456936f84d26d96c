import type { CustomerView } from '@/model/customerView';
import { basisInWords } from '@/core/text/basisInWords';
import { showDate } from '@/core/text/dates';
import { Phone } from './Reach';
import { Kept, Since } from './Since';
import type { Booklet } from './types';

/** How a proposal stands that is not open, in words to the customer. */
function Standing({ data, view }: { readonly data: Booklet; readonly view: CustomerView }) {
  const phone = <Phone number={data.company.phone} />;
  switch (data.state) {
    case 'lapsed':
      return (
        <p className="word">
          These prices held until {showDate(view.validUntil ?? '')}. Ask us for fresh ones: {phone}.
        </p>
      );
    case 'withdrawn':
      return <p className="word">This proposal was withdrawn. If you did not expect that, call {phone}.</p>;
    case 'declined':
      return <p className="word">You declined this proposal. If you change your mind, call {phone}.</p>;
    case 'revising':
      return (
        <p className="word">
          This is being revised: what you see is what we sent last. We will send you the new one.
        </p>
      );
    default:
      return null;
  }
}

/** Whose booklet it is, how it stands, and what is different from the one before. */
export function Head({
  data,
  view,
  address,
  files,
}: {
  readonly data: Booklet;
  readonly view: CustomerView;
  readonly address: string | null;
  /** Where pictures are. */
  readonly files: string;
}) {
  const reading = basisInWords(view);
  return (
    <header className="leaf">
      {data.company.logo && (
        // eslint-disable-next-line @next/next/no-img-element -- small already, and served by us
        <img className="logo" src={`${files}/${data.company.logo}`} alt="" />
      )}
      <div className="from">{data.company.name}</div>
      <h1>{view.title}</h1>
      <div className="soft">
        For {data.customer} · {data.site}
      </div>
      {reading && <div className="soft">{reading}</div>}
      {data.state === 'open' && view.validUntil && (
        <div className="soft">Prices hold until {showDate(view.validUntil)}</div>
      )}
      <Standing data={data} view={view} />
      {data.signed && (
        <p className="word" id="agreed">
          Signed by {data.signed.by} on {showDate(data.signed.on)}.{' '}
          {address && <a href={`${address}/certificate`}>What was signed</a>}
        </p>
      )}
      {data.changesSince.length > 0 && <Since changes={data.changesSince} revision={data.revision.number} />}
      {data.kept && <Kept lost={data.kept.lost} />}
      {view.coverNote && <p className="cover">{view.coverNote}</p>}
    </header>
  );
}
