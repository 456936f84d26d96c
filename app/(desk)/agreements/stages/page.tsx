import type { Metadata } from 'next';
import type { AddressParameters } from '@/core/lists';
import { stageList } from '@/services/agreements/stageList';
import { readList } from '@/services/lists/deskList';
import { readOwnCompany } from '@/services/settings/company';
import { AgreementTabs } from '@/desk/agreements/AgreementTabs';
import { StageList } from '@/desk/agreements/stages/StageList';
import '@/desk/proposals/editor/sheet.css';
import {
  addStagePhotoAction,
  captionStagePhotoAction,
  readStagePhotosAction,
  removeStagePhotoAction,
  saveListPreferencesAction,
  saveStageAction,
} from '../../../actions';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Stages' };

export default async function StagesPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const actor = await pageActor('prices');
  const list = await readList(actor, stageList, await searchParams);
  const company = await readOwnCompany(actor);
  return (
    <div className="page page-wide">
      <header className="page-head">
        <h1>Stages</h1>
        <AgreementTabs here="stages" />
      </header>
      <StageList
        list={list}
        save={saveStageAction}
        photos={{
          read: readStagePhotosAction,
          add: addStagePhotoAction,
          caption: captionStagePhotoAction,
          remove: removeStagePhotoAction,
        }}
        timeZone={company.timeZone}
        savePreferences={saveListPreferencesAction}
      />
    </div>
  );
}
