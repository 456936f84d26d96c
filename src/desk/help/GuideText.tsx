import './help.css';

/** The text of a page of the guide; it comes from our own files. */
export const GuideText = ({ html }: { readonly html: string }) => (
  <div className="guide" dangerouslySetInnerHTML={{ __html: html }} />
);
