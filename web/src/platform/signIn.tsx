import type { Me } from '@inchstep/contract/intake';
import { type FormEvent, useState } from 'react';
import { Failed } from './parts.tsx';
import { useDemoEnter, useSetup, useSignIn } from './session.ts';
import { SIGN_IN_WORDS } from './words.ts';

/** The door: a new program asks for its coach, a known one for the passphrase. */
export function SignIn({ me }: { readonly me: Me }) {
  const fresh = me.state === 'new';
  const setup = useSetup();
  const signIn = useSignIn();
  const demo = useDemoEnter();
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (fresh) setup.mutate({ name, passphrase });
    else signIn.mutate({ passphrase });
  };
  const error = setup.error ?? signIn.error ?? demo.error;
  return (
    <main className="mx-auto flex min-h-screen max-w-md flex-col justify-center gap-5 p-6">
      <div className="tape-edge rounded px-4 pt-4 pb-2">
        <h1 className="text-4xl">{SIGN_IN_WORDS.inchStep}</h1>
      </div>
      <p className="text-lg">
        {fresh ? SIGN_IN_WORDS.welcomeSayWhoTeaches : SIGN_IN_WORDS.recordOfYourStudents}
      </p>
      {me.demo && !fresh && (
        <button type="button" className="btn btn-primary btn-lg" onClick={() => demo.mutate(undefined)}>
          {SIGN_IN_WORDS.enterAsIlseVarga}
        </button>
      )}
      <form onSubmit={submit} className="flex flex-col gap-3">
        {fresh && (
          <label className="flex flex-col gap-1">
            {SIGN_IN_WORDS.yourName}
            <input
              className="input w-full"
              value={name}
              onChange={(e) => setName(e.target.value)}
              autoComplete="name"
              required
              maxLength={80}
            />
          </label>
        )}
        <label className="flex flex-col gap-1">
          {SIGN_IN_WORDS.passphrase}{' '}
          {fresh && <span className="text-sm text-base-content/80">{SIGN_IN_WORDS.atLeastCharacters}</span>}
          <input
            className="input w-full"
            type="password"
            value={passphrase}
            onChange={(e) => setPassphrase(e.target.value)}
            autoComplete={fresh ? 'new-password' : 'current-password'}
            required
            minLength={fresh ? 10 : 1}
          />
        </label>
        <button
          type="submit"
          className={me.demo && !fresh ? 'btn' : 'btn btn-primary'}
          disabled={setup.isPending || signIn.isPending}
        >
          {fresh ? SIGN_IN_WORDS.begin : SIGN_IN_WORDS.open}
        </button>
      </form>
      {error && <Failed error={error} />}
    </main>
  );
}
