import { Result } from 'antd';
import type { Metadata } from 'next';
import { LinkButton } from '@/ui/LinkButton';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Not for your role' };

/** What somebody meets who opens a page their role does not see. */
export default async function NotYoursPage() {
  const { role } = await pageActor();
  return (
    <div className="page">
      <Result
        icon={null}
        title={<h1 className="result-title">Your role does not see this</h1>}
        subTitle={`You are here as ${role}. Who manages people in your company can give you more.`}
        extra={
          <LinkButton primary href="/today">
            Back to Today
          </LinkButton>
        }
      />
    </div>
  );
}
