import type { Student } from '@inchstep/contract/intake';
import { mailAddress } from '@inchstep/core/intake';
import { Copy, Mail } from 'lucide-react';
import { QRCodeSVG } from 'qrcode.react';
import { useState } from 'react';
import { toast } from 'sonner';
import { dayOf, Failed, Panel } from '../../platform/parts.tsx';
import { useCloseLinks, useLinks, useMakeLink } from './queries.ts';
import { STUDENT_LINK_PANEL_WORDS } from './words.ts';

const LINK_DAYS = 90;

/** The student's private way in: shown once to be read, sent or copied; closed with one press. */
export function StudentLinkPanel({ student }: { readonly student: Pick<Student, 'id' | 'profile'> }) {
  const { id: studentId, profile } = student;
  const links = useLinks(studentId);
  const make = useMakeLink(studentId);
  const close = useCloseLinks(studentId);
  const [url, setUrl] = useState<string | null>(null);
  const open = links.data?.find((l) => l.revokedAt === null && l.expiresAt > new Date().toISOString());
  const create = () =>
    make.mutate(LINK_DAYS, { onSuccess: (link) => setUrl(`${location.origin}/p/${link.token}`) });
  return (
    <Panel title={STUDENT_LINK_PANEL_WORDS.studentsPage}>
      {url ? (
        <div className="flex flex-col gap-2">
          <p>{STUDENT_LINK_PANEL_WORDS.giveThisAddress}</p>
          <div className="self-start bg-white p-3">
            <QRCodeSVG value={url} size={168} title={STUDENT_LINK_PANEL_WORDS.code(profile.firstName)} />
          </div>
          {isLocal(url) && <p className="text-sm">{STUDENT_LINK_PANEL_WORDS.local}</p>}
          <a
            className="btn self-start"
            href={mailTo(mailAddress(profile) ?? '', STUDENT_LINK_PANEL_WORDS.mail(profile.firstName, url))}
          >
            <Mail aria-hidden size={18} /> {STUDENT_LINK_PANEL_WORDS.sendByMail}
          </a>
          <div className="flex gap-2">
            <input
              aria-label={STUDENT_LINK_PANEL_WORDS.privateLink}
              className="input flex-1"
              readOnly
              value={url}
              onFocus={(e) => e.target.select()}
              data-testid="private-link"
            />
            <button
              type="button"
              className="btn"
              aria-label={STUDENT_LINK_PANEL_WORDS.copyTheLink}
              onClick={() =>
                void navigator.clipboard.writeText(url).then(() => toast(STUDENT_LINK_PANEL_WORDS.copied))
              }
            >
              <Copy aria-hidden size={18} />
            </button>
          </div>
        </div>
      ) : (
        <p>
          {open
            ? STUDENT_LINK_PANEL_WORDS.open(
                dayOf(open.expiresAt),
                open.lastUsedAt ? dayOf(open.lastUsedAt) : null,
              )
            : STUDENT_LINK_PANEL_WORDS.noLinkIsOpen}
        </p>
      )}
      <div className="mt-2 flex gap-2">
        <button type="button" className="btn" onClick={create}>
          {open ? STUDENT_LINK_PANEL_WORDS.newLinkCloses : STUDENT_LINK_PANEL_WORDS.makeAPrivateLink}
        </button>
        {open && (
          <button
            type="button"
            className="btn btn-ghost"
            onClick={() => close.mutate(undefined, { onSuccess: () => setUrl(null) })}
          >
            {STUDENT_LINK_PANEL_WORDS.close}
          </button>
        )}
      </div>
      {(make.error || close.error) && <Failed error={make.error ?? close.error} />}
    </Panel>
  );
}

const isLocal = (url: string): boolean => ['localhost', '127.0.0.1', '[::1]'].includes(new URL(url).hostname);

/** Opens the coach's own mail program with the letter written. */
const mailTo = (
  address: string,
  { subject, body }: { readonly subject: string; readonly body: string },
): string =>
  `mailto:${encodeURIComponent(address)}?subject=${encodeURIComponent(subject)}&body=${encodeURIComponent(body)}`;
