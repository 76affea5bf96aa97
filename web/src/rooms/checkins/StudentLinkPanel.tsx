import { Copy } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { dayOf, Failed, Panel } from '../../platform/parts.tsx';
import { useCloseLinks, useLinks, useMakeLink } from './queries.ts';

const LINK_DAYS = 90;

/** The student's private way in: shown once, closed with one press. */
export function StudentLinkPanel({ studentId }: { readonly studentId: string }) {
  const links = useLinks(studentId);
  const make = useMakeLink(studentId);
  const close = useCloseLinks(studentId);
  const [url, setUrl] = useState<string | null>(null);
  const open = links.data?.find((l) => l.revokedAt === null && l.expiresAt > new Date().toISOString());
  const create = () =>
    make.mutate(LINK_DAYS, { onSuccess: (link) => setUrl(`${location.origin}/p/${link.token}`) });
  return (
    <Panel title="Student’s page">
      {url ? (
        <div className="flex flex-col gap-2">
          <p>Give this address to the student. It is shown only now.</p>
          <div className="flex gap-2">
            <input
              aria-label="Private link"
              className="input flex-1"
              readOnly
              value={url}
              onFocus={(e) => e.target.select()}
              data-testid="private-link"
            />
            <button
              type="button"
              className="btn"
              aria-label="Copy the link"
              onClick={() => void navigator.clipboard.writeText(url).then(() => toast('Copied.'))}
            >
              <Copy aria-hidden size={18} />
            </button>
          </div>
        </div>
      ) : (
        <p>
          {open
            ? `A link is open until ${dayOf(open.expiresAt)}${open.lastUsedAt ? `, last used ${dayOf(open.lastUsedAt)}` : ', not used yet'}.`
            : 'No link is open.'}
        </p>
      )}
      <div className="mt-2 flex gap-2">
        <button type="button" className="btn" onClick={create}>
          {open ? 'New link (closes the old one)' : 'Make a private link'}
        </button>
        {open && (
          <button
            type="button"
            className="btn btn-ghost"
            onClick={() => close.mutate(undefined, { onSuccess: () => setUrl(null) })}
          >
            Close it
          </button>
        )}
      </div>
      {(make.error || close.error) && <Failed error={make.error ?? close.error} />}
    </Panel>
  );
}
