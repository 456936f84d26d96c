import { readAttachment } from '@/services/messages/attachment';
import { readDoor } from '../../../../door';
import { download } from '../../../../download';

/** Something that went with a letter; `?n=` says which, counted from nought. */
export const GET = readDoor(async (actor, id, request) => {
  const { name, mediaType, bytes } = await readAttachment(
    actor,
    id,
    Number(new URL(request.url).searchParams.get('n') ?? '0'),
  );
  return download(bytes, mediaType, name.replace(/[^\w .,()-]/g, '_'));
});
