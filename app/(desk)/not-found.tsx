import { Result } from 'antd';
import type { Metadata } from 'next';
import { LinkButton } from '@/ui/LinkButton';

export const metadata: Metadata = { title: 'Not found' };

export default function NotFound() {
  return (
    <div className="page">
      <Result
        icon={null}
        title={<h1 className="result-title">There is nothing here</h1>}
        subTitle="The address may have a typing mistake, or it belongs to another company."
        extra={
          <LinkButton primary href="/today">
            Back to Today
          </LinkButton>
        }
      />
    </div>
  );
}
