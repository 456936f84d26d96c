import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { EntityId } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, newId, recordAudit } from '../actor';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { takeTry } from '../limit';
import { postLetter } from '../post';
import { Problem } from '../problem';
import type { Asked } from '@/data/proposals/questions';
import { questionsAsked } from '@/data/proposals/questions';
import type { Visitor } from './open';
import { currentRevision } from './open';
import {
  insertCustomerQuestion,
  lockCustomerQuestionById,
  putAnswer,
  findUnanswered,
} from '@/data/proposals/customerQuestion';
import { recipientsOf } from '../customers/recipients';
import { findAsker } from '@/data/proposals/proposal';

const closed = { additionalProperties: false } as const;
const words = Type.String({ minLength: 1, maxLength: 2000, pattern: '\\S' });
const AskInput = Type.Object({ words }, closed);
const AnswerInput = Type.Object({ questionId: EntityId, answer: words }, closed);

const MOST_QUESTIONS = 20;

/** The customer asks something about what they read; it is kept with the proposal and shows on the desk. */
export async function askQuestion(visitor: Visitor, input: unknown): Promise<readonly Asked[]> {
  const given = check(AskInput, input, 'The question');
  await takeTry(`question:${visitor.linkId}`, MOST_QUESTIONS, visitor.now);
  return inCompany(visitor.companyId, async (tx) => {
    const current = await currentRevision(tx, visitor);
    const id = newId(visitor.now);
    await insertCustomerQuestion(tx, {
      companyId: visitor.companyId,
      id,
      proposalId: visitor.proposalId,
      revisionId: current.revision.id,
      words: given.words.trim(),
      askedAt: visitor.now,
    });
    await recordAudit(tx, visitor, 'question asked', visitor.proposalId, { questionId: id });
    return questionsAsked(tx, visitor.proposalId, current.ours.timeZone);
  });
}

/**
 * Answers a question, once; the customer reads it in their booklet and gets it by mail.
 * @throws Problem `answered-already`, `no-such-question`
 */
export async function answerQuestion(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'propose');
  const { questionId, answer } = check(AnswerInput, input, 'The answer');
  await inCompany(actor, async (tx) => {
    const [row] = await lockCustomerQuestionById(tx, questionId);
    if (!row) throw new Problem('no-such-question', 'That was not asked.');
    if (row.answer !== null) throw new Problem('answered-already', 'This is answered already.');
    await putAnswer(tx, answer, actor, questionId);
    const [found] = await findAsker(tx, row.proposalId);
    const ours = await companyOf(tx, actor.companyId);
    const whom = await recipientsOf(tx, found!.customerId, 'offers');
    if (whom.to) {
      await postLetter(tx, actor, {
        proposalId: row.proposalId,
        kind: 'answer',
        to: whom.to,
        subject: `${found!.title}: your question`,
        body: [
          `Good day ${whom.name},`,
          `you asked: “${row.words}”`,
          answer.trim(),
          `${actor.name}\n${ours.name} · ${ours.phone}`,
        ].join('\n\n'),
      });
    }
    await recordAudit(tx, actor, 'question answered', row.proposalId, { questionId });
  });
}

/** Questions nobody has answered, oldest first. */
export async function waitingQuestions(actor: Actor) {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const rows = await findUnanswered(tx);
    return rows.map(({ question, ...more }) => ({
      id: question.id,
      proposalId: question.proposalId,
      words: question.words,
      on: businessDate(question.askedAt, ours.timeZone),
      ...more,
    }));
  });
}
