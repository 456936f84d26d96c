/** The picture of something that can be chosen; nothing where there is none. */
export function Picture({ files, picture }: { files: string; picture: string | null | undefined }) {
  if (!picture) return null;
  // eslint-disable-next-line @next/next/no-img-element -- served from the database, sized already
  return <img className="card-picture" src={`${files}/${picture}`} alt="" loading="lazy" />;
}
