import type { Authenticator } from '@/services/accounts/secondStep';
import type { Answer } from '@/model';

/** What one can do about one's own way in, and how the desk looks. */
export interface OwnActions {
  readonly rename: (input: unknown) => Promise<Answer<void>>;
  readonly revoke: (id: string) => Promise<Answer<void>>;
  readonly endOthers: () => Promise<Answer<void>>;
  readonly changePassword: (now: unknown, next: unknown) => Promise<Answer<void>>;
  readonly askForEmail: (email: unknown, password: unknown) => Promise<Answer<void>>;
  readonly beginSecondStep: (password: unknown) => Promise<Answer<Authenticator>>;
  readonly confirmSecondStep: (code: unknown) => Promise<Answer<string[]>>;
  readonly endSecondStep: (password: unknown) => Promise<Answer<void>>;
  readonly renewCodes: (password: unknown) => Promise<Answer<string[]>>;
  readonly setLook: (look: string) => Promise<void>;
}
