import type { Answer, StartInput } from '@/model';
import type { SaveCustomer } from '../../customers/CustomerForm';

interface Place {
  readonly customerId: string;
  readonly siteId: string;
}

export interface StartActions {
  readonly start: (input: StartInput) => Promise<Answer<{ id: string }>>;
  readonly copy: (
    input: Place & { proposalId: string; title: string; costs: 'kept' | 'refreshed' },
  ) => Promise<Answer<{ id: string }>>;
  readonly read: (place: Place, text: string) => Promise<Answer<{ id: string }>>;
  readonly saveCustomer: SaveCustomer;
}

/** What is chosen and typed to start from. */
export type Given = StartInput & {
  readonly from: string;
  readonly proposalId?: string;
  readonly costs?: 'kept' | 'refreshed';
};

export interface Template {
  readonly id: string;
  readonly name: string;
  readonly about: string;
}

/**
 * Starts a proposal from what is given.
 * @param text of a proposal document, where it is started from one
 */
export function begin(
  actions: StartActions,
  { from, customerId, siteId, title, proposalId, costs }: Given,
  text: string,
): Promise<Answer<{ id: string }>> {
  const place = { customerId, siteId };
  if (from === 'file') return actions.read(place, text);
  if (from === 'earlier')
    return actions.copy({ ...place, proposalId: proposalId ?? '', title, costs: costs ?? 'refreshed' });
  return actions.start({ ...place, title, templateId: from === 'nothing' ? null : from });
}
