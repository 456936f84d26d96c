import { redirect } from 'next/navigation';
import { readSetUp } from '@/services/accounts/setUp';

export default async function Home() {
  redirect((await readSetUp()).open ? '/set-up' : '/today');
}
