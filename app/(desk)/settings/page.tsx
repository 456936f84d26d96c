import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { readOwnSignIn } from '@/services/accounts/secondStep';
import { listSessions } from '@/services/accounts/session';
import type { Actor } from '@/services/actor';
import { may } from '@/services/actor';
import { listAreas } from '@/services/library/areas';
import { listTrades } from '@/services/library/byTrade';
import { listTokens } from '@/services/access/tokens';
import { listSellers } from '@/services/people/changeSeller';
import { readPeople } from '@/services/people/people';
import { readNumbers } from '@/services/settings/numbers';
import { readConnections } from '@/services/settings/connections';
import { readOwnCompany } from '@/services/settings/company';
import { readSettings } from '@/services/settings/settings';
import { listWebhooks } from '@/services/webhooks/webhooks';
import { SettingsPage } from '@/desk/settings/SettingsPage';
import { placeAddress } from '@/ui/place/placeAddress';
import {
  beginSecondStepAction,
  askForEmailAction,
  changePasswordAction,
  confirmSecondStepAction,
  endOtherSessionsAction,
  endSecondStepAction,
  renewRecoveryCodesAction,
  revokeSessionAction,
} from '../../accountActions';
import { saveAreasAction, saveSettingsAction, setLookAction } from '../../actions';
import {
  deactivateAction,
  endSessionOfAction,
  giveRoleAction,
  handWorkOverAction,
  inviteAction,
  reactivateAction,
  removeRoleAction,
  renamePersonAction,
  revokeInvitationAction,
  saveRoleAction,
  sessionsOfAction,
  showInvitationAction,
} from '../../peopleActions';
import {
  addWebhookAction,
  endWebhookAction,
  readWebhookNewsAction,
  removeDemoAction,
  sendNewsAgainAction,
  tryWebhookAction,
  saveCompanyAction,
  endTokenAction,
  giveTokenAction,
  saveCostCodesAction,
  saveOwnUnitsAction,
  saveNumbersAction,
  sendFailedLettersAgainAction,
  sendTrialLetterAction,
} from '../../settingsActions';
import { pageActor, sessionToken } from '../../session';

export const metadata: Metadata = { title: 'Settings' };

/** The company's settings, for who may see them. */
async function companySettings(actor: Actor) {
  if (!may(actor, 'cost')) return null;
  const [settings, areas, trades] = await Promise.all([
    readSettings(actor),
    listAreas(actor),
    listTrades(actor),
  ]);
  return {
    settings,
    areas,
    trades: trades.map(({ trade }) => trade),
    sellers: may(actor, 'propose') && may(actor, 'allProposals') ? await listSellers(actor) : [],
    mayChange: may(actor, 'settings'),
    save: saveSettingsAction,
    saveAreas: saveAreasAction,
  };
}

async function peopleOf(actor: Actor, timeZone: string) {
  if (!may(actor, 'people')) return null;
  return {
    view: await readPeople(actor),
    isOwner: actor.isOwner,
    timeZone,
    actions: {
      invite: inviteAction,
      showInvitation: showInvitationAction,
      revokeInvitation: revokeInvitationAction,
      giveRole: giveRoleAction,
      rename: renamePersonAction,
      deactivate: deactivateAction,
      reactivate: reactivateAction,
      handOver: handWorkOverAction,
      sessionsOf: sessionsOfAction,
      endSession: endSessionOfAction,
      saveRole: saveRoleAction,
      removeRole: removeRoleAction,
    },
  };
}

export default async function SettingsRoute({
  searchParams,
}: {
  searchParams: Promise<{ about?: unknown }>;
}) {
  const actor = await pageActor();
  const { about } = await searchParams;
  // Addresses that were sent earlier name the subject behind the ?.
  if (typeof about === 'string') redirect(placeAddress('/settings', { about }));
  const ours = await readOwnCompany(actor);
  const [settings, people, numbers, connections, tokens, webhooks, signIn, sessions] = await Promise.all([
    companySettings(actor),
    peopleOf(actor, ours.timeZone),
    may(actor, 'settings') ? readNumbers(actor) : null,
    may(actor, 'settings') ? readConnections(actor) : null,
    may(actor, 'settings') ? listTokens(actor) : null,
    may(actor, 'settings') ? listWebhooks(actor) : null,
    readOwnSignIn(actor),
    listSessions(actor, await sessionToken()),
  ]);
  return (
    <SettingsPage
      permissions={actor.permissions}
      company={[ours.name, ours.address.street, ours.address.city].filter(Boolean).join(', ')}
      settings={settings}
      details={
        settings && {
          details: settings.settings.details,
          currency: ours.currency,
          mayChange: settings.mayChange,
          save: saveCompanyAction,
        }
      }
      people={people}
      costCodes={
        settings && {
          stored: settings.settings.company.costCodes,
          trades: settings.trades,
          mayChange: may(actor, 'library'),
          save: saveCostCodesAction,
        }
      }
      ownUnits={
        settings && {
          stored: ours.ownUnits,
          mayChange: may(actor, 'library'),
          save: saveOwnUnitsAction,
        }
      }
      numbers={numbers && { numbers, save: saveNumbersAction }}
      connections={
        connections && {
          ...{ ...connections, timeZone: ours.timeZone, demo: ours.demo },
          ...{ sendTrial: sendTrialLetterAction, sendAgain: sendFailedLettersAgainAction },
        }
      }
      access={
        tokens && {
          tokens,
          timeZone: ours.timeZone,
          now: actor.now.toISOString(),
          ...{ give: giveTokenAction, end: endTokenAction },
        }
      }
      news={
        webhooks && {
          ...{ webhooks, timeZone: ours.timeZone, demo: ours.demo },
          ...{ add: addWebhookAction, end: endWebhookAction, sent: readWebhookNewsAction },
          ...{ tryIt: tryWebhookAction, again: sendNewsAgainAction },
        }
      }
      data={{ name: ours.name, demo: ours.demo, isOwner: actor.isOwner, removeDemo: removeDemoAction }}
      you={{
        you: { id: actor.userId, name: actor.name, role: actor.role },
        signIn,
        sessions,
        timeZone: ours.timeZone,
        look: (await cookies()).get('impegno-look')?.value ?? 'system',
        actions: {
          rename: renamePersonAction,
          revoke: revokeSessionAction,
          endOthers: endOtherSessionsAction,
          changePassword: changePasswordAction,
          askForEmail: askForEmailAction,
          beginSecondStep: beginSecondStepAction,
          confirmSecondStep: confirmSecondStepAction,
          endSecondStep: endSecondStepAction,
          renewCodes: renewRecoveryCodesAction,
          setLook: setLookAction,
        },
      }}
    />
  );
}
