import { Document, Page, Text, renderToBuffer } from '@react-pdf/renderer';
import { legible } from './legible';
import { Foot, styles } from './sheet';

/** A text of ours as PDF, under a title; an empty line sets paragraphs apart. */
export function textPdf(given: {
  readonly title: string;
  readonly text: string;
  readonly from: string;
  readonly foot: string;
  /** The day it is of, `2026-05-04`. */
  readonly day: string;
}): Promise<Buffer> {
  const { title, text, from, foot, day } = legible(given);
  return renderToBuffer(
    <Document title={title} author={from} creationDate={new Date(`${day}T00:00:00Z`)}>
      <Page size="LETTER" style={styles.page}>
        <Text>{from}</Text>
        <Text style={styles.title}>{title}</Text>
        {text.split(/\n{2,}/).map((paragraph, i) => (
          <Text key={i} style={{ marginTop: 10 }}>
            {paragraph}
          </Text>
        ))}
        <Foot>{foot}</Foot>
      </Page>
    </Document>,
  );
}
