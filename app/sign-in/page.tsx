import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { SignIn } from '@/desk/account/SignIn';
import { demoAccount } from '@/services/entering/demoAccount';
import { hasDemo, readSetUp } from '@/services/entering/setUp';
import { signInAction, signInWithCodeAction } from '../accountActions';
import { AccountPage } from '../AccountPage';
import { currentActor } from '../session';

export const metadata: Metadata = { title: 'Sign in' };

const text = (value: unknown, most: number): string | undefined =>
  typeof value === 'string' && value.length <= most ? value : undefined;

export default async function SignInPage({
  searchParams,
}: {
  searchParams: Promise<{ to?: unknown; email?: unknown }>;
}) {
  if (await currentActor()) redirect('/today');
  if ((await readSetUp()).open) redirect('/set-up');
  const given = await searchParams;
  const to = text(given.to, 200);
  const email = text(given.email, 200);
  return (
    <AccountPage>
      <SignIn
        actions={{ signIn: signInAction, withCode: signInWithCodeAction }}
        {...((await hasDemo()) ? { demo: demoAccount } : {})}
        {...(to === undefined ? {} : { to })}
        {...(email === undefined ? {} : { email })}
      />
    </AccountPage>
  );
}
