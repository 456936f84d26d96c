import fc from 'fast-check';
import sharp from 'sharp';
import { readAgreement } from '@/services/agreements/read';
import {
  addStagePhoto,
  captionStagePhoto,
  readStagePhotos,
  removeStagePhoto,
} from '@/services/agreements/stagePhotos';
import type { StageListRow } from '@/services/agreements/stageList';
import { stageList } from '@/services/agreements/stageList';
import { putInStage, saveStage } from '@/services/agreements/stages';
import { issueInvoice } from '@/services/billing/issue';
import { keepFile } from '@/services/files/keep';
import { readList, readWholeList } from '@/services/lists/deskList';
import { readMoneyReport } from '@/services/reports/moneyReport';
import { closeConnection } from '@/data/connection';
import { isStageLate, stageState } from '@/core/billing';
import { newAgreement, newCompany, testDocument } from '../support/desk';

afterAll(closeConnection);

const today = new Date().toISOString().slice(0, 10);

async function withFrame() {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor, testDocument());
  await putInStage(actor, { agreementId, lineIds: ['l1'], stage: 'Frame' });
  const stage = async () =>
    (await readAgreement(actor, agreementId)).stages.find(({ name }) => name === 'Frame')!;
  return { actor, agreementId, stage };
}

test('a stage is reported at a percent: what is earned follows; all of it is done today, less is not done after all', async () => {
  const { actor, agreementId, stage } = await withFrame();
  const report = (percent: string) => saveStage(actor, { agreementId, name: 'Frame', percent });
  const earned = async () =>
    (await readMoneyReport(actor, 'wip', {})).rows.find((row) => row.id === agreementId)!;
  await report('40');
  expect(await stage()).toMatchObject({ state: 'under way', percent: '40', reportedOn: today, doneOn: null });
  const part = await earned();
  await report('100');
  expect(await stage()).toMatchObject({ state: 'done', doneOn: today });
  const whole = await earned();
  expect(part).not.toEqual(whole);
  await report('62.5');
  expect(await stage()).toMatchObject({ state: 'under way', percent: '62.5', doneOn: null });
  await report('0');
  expect(await stage()).toMatchObject({ state: 'not begun', percent: null });
  // The day it was done stays what it was.
  await saveStage(actor, { agreementId, name: 'Frame', doneOn: '2026-01-05' });
  await report('100');
  expect(await stage()).toMatchObject({ doneOn: '2026-01-05' });
  for (const percent of ['101', '-1', 'half', '33.333']) await expect(report(percent)).rejects.toThrow();
  await expect(saveStage(actor, { agreementId, name: 'Roof of another', percent: '5' })).rejects.toThrow(
    'no such stage',
  );
});

test('the list of all stages says of each what the core says, however it is filtered', async () => {
  const actor = await newCompany();
  const agreements = [await newAgreement(actor, testDocument()), await newAgreement(actor, testDocument())];
  const stages: { agreementId: string; name: string }[] = [];
  for (const { agreementId } of agreements)
    for (const { name } of (await readAgreement(actor, agreementId)).stages)
      stages.push({ agreementId, name });
  expect(stages.length).toBeGreaterThan(1);
  const days = fc.constantFrom('2020-02-03', today, '2099-01-01', null);
  const act = fc.record({
    which: fc.nat({ max: stages.length - 1 }),
    said: fc.oneof(
      fc.record({ plannedOn: days }),
      fc.record({ doneOn: days }),
      fc.record({ percent: fc.constantFrom('0', '12.5', '99.99', '100') }),
    ),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(act, { minLength: 1, maxLength: 6 }), async (acts) => {
      for (const { which, said } of acts) await saveStage(actor, { ...stages[which]!, ...said });
      const ids = async (state: string) =>
        (await readWholeList(actor, stageList, { state })).rows
          .map((row: StageListRow) => `${row.agreementId} ${row.stage}`)
          .sort();
      const { rows } = await readList(actor, stageList, {});
      expect(rows).toHaveLength(stages.length);
      const known = new Map<string, { state: string; late: boolean }>();
      for (const { agreementId } of agreements)
        for (const stage of (await readAgreement(actor, agreementId)).stages)
          known.set(`${agreementId} ${stage.name}`, {
            state: stageState(stage),
            late: isStageLate(stage, today),
          });
      for (const row of rows)
        expect({ state: row.state, late: row.late }).toEqual(known.get(`${row.agreementId} ${row.stage}`));
      for (const state of ['not begun', 'under way', 'done'])
        expect(await ids(state)).toEqual(
          [...known].flatMap(([id, each]) => (each.state === state ? [id] : [])).sort(),
        );
      expect(await ids('late')).toEqual([...known].flatMap(([id, { late }]) => (late ? [id] : [])).sort());
    }),
    { numRuns: 20 },
  );
});

test('photos of a stage: kept once, said what they show, taken off again; another company sees none', async () => {
  const { actor, agreementId } = await withFrame();
  const picture = async (shade: number) =>
    keepFile(
      actor,
      'picture',
      `Frame ${shade}.png`,
      await sharp({ create: { width: 40, height: 30, channels: 3, background: { r: shade, g: 9, b: 9 } } })
        .png()
        .toBuffer(),
    );
  const of = { agreementId, stage: 'Frame' };
  const { id: fileId } = await picture(10);
  const added = await addStagePhoto(actor, { ...of, fileId });
  // Asked again after a lost answer, it is the one there is.
  expect(await addStagePhoto(actor, { ...of, fileId })).toEqual(added);
  await addStagePhoto(actor, { ...of, fileId: (await picture(200)).id });
  await captionStagePhoto(actor, { id: added.id, caption: '  Sills on the piers ' });
  const photos = await readStagePhotos(actor, of);
  expect(photos.map(({ caption, addedBy }) => [caption, addedBy])).toEqual([
    ['Sills on the piers', 'Test Owner'],
    ['', 'Test Owner'],
  ]);
  expect(
    (await readList(actor, stageList, { search: 'Frame' })).rows.map(({ photos: count }) => count),
  ).toContain(2);
  await removeStagePhoto(actor, { id: added.id });
  await expect(removeStagePhoto(actor, { id: added.id })).rejects.toThrow('no such picture');
  expect(await readStagePhotos(actor, of)).toHaveLength(1);
  const stranger = await newCompany();
  expect(await readStagePhotos(stranger, of)).toEqual([]);
  await expect(addStagePhoto(stranger, { ...of, fileId })).rejects.toThrow('no such stage');
});

test('what is billed of a stage that is under way is its percent', async () => {
  const { actor, agreementId, stage } = await withFrame();
  const { agreed } = await stage();
  await issueInvoice(actor, { agreementId, what: { lines: [{ stage: 'Frame', to: { percent: '40' } }] } });
  const { left } = await stage();
  expect(Number(agreed) - Number(left)).toBeCloseTo(Number(agreed) * 0.4, 1);
});
