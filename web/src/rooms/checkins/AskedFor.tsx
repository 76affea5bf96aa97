import type { StudentPage } from '@inchstep/contract/checkins';
import { askText, dateText, FILM_GUIDE, VIEW_WORDS } from '@inchstep/contract/words';
import { useLibraryWords } from '../prescription/index.ts';
import { ASKED_WORDS } from './words.ts';

/** What the coach asks to be filmed, by when, and how the phone is stood for it. */
export function AskedFor({ page }: { readonly page: StudentPage }) {
  const { nameOf } = useLibraryWords();
  const { request } = page;
  if (!request) return null;
  const { missing, kinds, why, dueOn, state } = request;
  const left = missing.map((kind) => VIEW_WORDS[kind]?.toLowerCase() ?? kind).join(', ');
  return (
    <section className="panel p-4" aria-label={ASKED_WORDS.title(page.coach)}>
      <h2 className="text-lg">{ASKED_WORDS.title(page.coach)}</h2>
      <p className="text-lg">{askText(request, nameOf)}</p>
      <p>
        {ASKED_WORDS.by(dateText(dueOn), state === 'overdue')}{' '}
        {missing.length < kinds.length && ASKED_WORDS.left(left)}
      </p>
      {why !== '' && <p className="mt-1">{why}</p>}
      <details>
        <summary className="min-h-11 cursor-pointer py-2 font-semibold">{ASKED_WORDS.how}</summary>
        {missing.map((kind) => (
          <p key={kind}>{FILM_GUIDE[kind]}</p>
        ))}
      </details>
    </section>
  );
}
