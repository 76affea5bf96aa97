import type { Me } from '@inchstep/contract/intake';
import { type FormEvent, useState } from 'react';
import { Failed } from './parts.tsx';
import { useDemoEnter, useSetup, useSignIn } from './session.ts';

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
        <h1 className="text-4xl">Inch Step</h1>
      </div>
      <p className="text-lg">
        {fresh
          ? 'Welcome. Say who teaches here, and choose a passphrase that opens this program.'
          : 'The record of your students is behind this door.'}
      </p>
      {me.demo && !fresh && (
        <button type="button" className="btn btn-primary btn-lg" onClick={() => demo.mutate(undefined)}>
          Enter as Ilse Varga (demo)
        </button>
      )}
      <form onSubmit={submit} className="flex flex-col gap-3">
        {fresh && (
          <label className="flex flex-col gap-1">
            Your name
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
          Passphrase{' '}
          {fresh && (
            <span className="text-sm text-base-content/80">
              At least 10 characters; a short sentence is good.
            </span>
          )}
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
          {fresh ? 'Begin' : 'Open'}
        </button>
      </form>
      {error && <Failed error={error} />}
    </main>
  );
}
