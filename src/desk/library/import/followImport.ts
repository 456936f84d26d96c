import type { ImportPreview } from '@/services/library/importItems';
import type { ProblemDetails } from '@/model';
import { readAnswer } from '@/ui/askDoor';
import { PATIENCE, withPatience } from '@/ui/patience';

export type Counts = ImportPreview['counts'];

/** One line of the answer: a step, the end, or why it was not done. */
interface Said {
  readonly done?: number;
  readonly of?: number;
  readonly counts?: Counts;
  readonly problem?: ProblemDetails;
}

/**
 * Reads the steps an import answers with, a line of JSON each.
 * @param step told how many of how many rows are stored
 * @throws Error in words where it was refused, or the connection broke off
 */
export async function followImport(
  answer: Response,
  step: (done: number, of: number) => void,
): Promise<Counts> {
  if (!answer.ok || !answer.body) return readAnswer<Counts>(answer);
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    // It tells of every step; a long silence is the end of it.
    const { value, done } = await withPatience(reader.read(), 2 * PATIENCE).catch(() => ({
      value: undefined,
      done: true,
    }));
    rest += value ?? '';
    const lines = rest.split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines.filter(Boolean)) {
      const said = JSON.parse(line) as Said;
      if (said.problem) throw new Error(said.problem.detail);
      if (said.counts) return said.counts;
      step(said.done ?? 0, said.of ?? 0);
    }
    if (done)
      throw new Error('The connection broke off. Nothing was changed unless the list is in the library.');
  }
}
