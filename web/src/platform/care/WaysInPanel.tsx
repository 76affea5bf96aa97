import type { Care } from '@inchstep/contract/care';
import { dayOf, dayText, Failed, Panel } from '../parts.tsx';
import { closeLink, endOtherSessions, endSession, useCareAct } from './queries.ts';
import { CARE_WORDS, WAYS_IN_PANEL_WORDS } from './words.ts';

/** Who can get in: every session and every student's link, with its last use and one press to end it. */
export function WaysInPanel({ care }: { readonly care: Care }) {
  const end = useCareAct(endSession);
  const others = useCareAct(endOtherSessions);
  const close = useCareAct(closeLink);
  const today = dayOf(care.now);
  const error = end.error ?? others.error ?? close.error;
  return (
    <Panel
      title={CARE_WORDS.sessions}
      aside={
        care.sessions.length > 1 ? (
          <button type="button" className="btn" onClick={() => others.mutate()}>
            {CARE_WORDS.endOthers}
          </button>
        ) : undefined
      }
    >
      <ul className="divide-y-[1.5px] divide-base-300">
        {care.sessions.map(({ id, device, lastUsedAt, createdAt, here }) => (
          <Way
            key={id}
            name={device || WAYS_IN_PANEL_WORDS.aDevice}
            said={
              here
                ? CARE_WORDS.here
                : WAYS_IN_PANEL_WORDS.lastUsed(dayText(lastUsedAt || createdAt || care.now, today))
            }
            act={here ? undefined : { label: CARE_WORDS.end, go: () => end.mutate(id) }}
          />
        ))}
      </ul>
      <h3 className="mt-4 text-lg">{CARE_WORDS.links}</h3>
      {care.links.length === 0 && <p>{CARE_WORDS.noLinks}</p>}
      <ul className="max-h-56 divide-y-[1.5px] divide-base-300 overflow-y-auto" aria-label={CARE_WORDS.links}>
        {care.links.map(({ id, name, lastUsedAt, expiresAt }) => (
          <Way
            key={id}
            name={name}
            said={WAYS_IN_PANEL_WORDS.openUntil(
              lastUsedAt ? WAYS_IN_PANEL_WORDS.used(dayText(lastUsedAt, today)) : CARE_WORDS.neverUsed,
              dayText(expiresAt, today),
            )}
            act={{ label: CARE_WORDS.close, go: () => close.mutate(id) }}
          />
        ))}
      </ul>
      {error && <Failed error={error} />}
    </Panel>
  );
}

function Way({
  name,
  said,
  act,
}: {
  readonly name: string;
  readonly said: string;
  readonly act?: { readonly label: string; readonly go: () => void } | undefined;
}) {
  return (
    <li className="flex min-h-12 items-center gap-3 py-1">
      <span className="flex-1">
        <span className="font-semibold">{name}</span> <span className="text-sm">{said}</span>
      </span>
      {act && (
        <button type="button" className="btn" aria-label={`${act.label}: ${name}`} onClick={act.go}>
          {act.label}
        </button>
      )}
    </li>
  );
}
