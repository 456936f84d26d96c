import '@/ui/theme/antd.css';
import '@/ui/theme/scale.css';
import '@/desk/desk.css';
import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { SignIn } from '@/desk/SignIn';
import { Providers } from '@/ui/Providers';
import { signInAction } from '../actions';
import { currentActor, requestNonce } from '../session';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage() {
  if (await currentActor()) redirect('/today');
  return (
    <Providers nonce={await requestNonce()}>
      <SignIn signIn={signInAction} />
    </Providers>
  );
}
