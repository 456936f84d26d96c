import { Form, Input, Radio } from 'antd';
import type { Offered } from '@/services/offered';
import type { EarlierProposal } from '@/services/proposals/offerProposals';
import { FileButton } from '@/ui/fields/FileField';
import { OfferedSelect } from '@/ui/fields/OfferedSelect';
import type { OfferedThings } from '@/ui/fields/useOffered';
import { useOffered } from '@/ui/fields/useOffered';
import type { Template } from './startActions';

/** A proposal as it is picked to be copied. */
const earlierLabel = ({ number, title, customer }: EarlierProposal) => `${number} ${title} · ${customer}`;

/** The proposals to copy from. */
export const useEarlierOffered = (
  begun: Offered<EarlierProposal>,
  come: EarlierProposal | null,
  picked: string | undefined,
) => useOffered({ door: '/api/desk/proposals', begun, come, picked, label: earlierLabel });

/** What a proposal can be started from. */
export function StartFrom({
  templates,
  copies,
}: {
  readonly templates: readonly Template[];
  /** Is there a proposal to copy? */
  readonly copies: boolean;
}) {
  return (
    <Form.Item name="from" label="Start from">
      <Radio.Group
        vertical
        options={[
          { value: 'nothing', label: 'Nothing' },
          ...templates.map(({ id, name, about }) => ({
            value: id,
            label: (
              <>
                <strong>{name}</strong> <span className="soft">{about}</span>
              </>
            ),
          })),
          ...(copies ? [{ value: 'earlier', label: 'An earlier proposal' }] : []),
          { value: 'file', label: 'A proposal document (JSON)' },
        ]}
      />
    </Form.Item>
  );
}

/** Which earlier proposal is copied, and with what costs. */
export function CopiedFrom({ earlier }: { readonly earlier: OfferedThings<EarlierProposal> }) {
  return (
    <>
      <Form.Item
        name="proposalId"
        label="Which one"
        rules={[{ required: true, message: 'Pick the proposal to copy.' }]}
      >
        <OfferedSelect
          things={earlier}
          label={earlierLabel}
          what="proposals"
          placeholder="Type a title or a customer"
        />
      </Form.Item>
      <Form.Item name="costs" label="Its costs">
        <Radio.Group
          options={[
            { value: 'refreshed', label: 'as the library has them now' },
            { value: 'kept', label: 'as they were' },
          ]}
        />
      </Form.Item>
    </>
  );
}

/** The file of a proposal document that is chosen. */
export function DocumentFile({
  file,
  take,
}: {
  readonly file: File | null;
  readonly take: (file: File) => void;
}) {
  return (
    <p>
      <FileButton label="Proposal document" accept="application/json,.json" take={take}>
        {file ? 'Choose another file' : 'Choose the file'}
      </FileButton>{' '}
      <span className="soft">{file?.name ?? 'Nothing chosen yet'}</span>
    </p>
  );
}

/** What the proposal is called. */
export function TitleField() {
  return (
    <Form.Item
      name="title"
      label="Title, as the customer reads it"
      rules={[{ required: true, whitespace: true, message: 'Give it a title.' }]}
    >
      <Input maxLength={200} placeholder="Screened porch, rear of house" autoComplete="off" />
    </Form.Item>
  );
}
