import * as wire from '@inchstep/contract/endpoints';
import type { ReportPage } from '@inchstep/contract/progress';
import { urlOf } from '@inchstep/contract/wire/address';
import { REPORT_WORDS } from '@inchstep/contract/words';
import { REPORT_FOR, type ReportFor } from '@inchstep/core/progress';
import { FileText, Printer } from 'lucide-react';
import { useParams, useSearchParams } from 'react-router';
import { Shown } from '../../platform/parts.tsx';
import { Tape } from '../../platform/tape.tsx';
import { useUnits } from '../../platform/units.ts';
import { useReport } from './queries.ts';
import { REPORT_SCREEN_WORDS } from './words.report.ts';

const isReader = (text: string | null): text is ReportFor => REPORT_FOR.some((one) => one === text);

/** Where a student stands, as it may be printed or sent: for the student, a parent, or a second coach. */
export function ReportScreen() {
  const { id = '' } = useParams();
  const { lengths } = useUnits();
  const [search, setSearch] = useSearchParams();
  const asked = search.get('for');
  const reader = isReader(asked) ? asked : 'student';
  const report = useReport(id, reader, lengths);
  return (
    <div className="mx-auto max-w-3xl p-4">
      <div className="no-print mb-4 flex flex-wrap items-center gap-2">
        <fieldset className="flex flex-wrap gap-2">
          <legend className="sr-only">{REPORT_SCREEN_WORDS.whoReads}</legend>
          {REPORT_FOR.map((one) => (
            <label key={one} className={`btn ${one === reader ? 'btn-primary' : ''}`}>
              <input
                type="radio"
                name="reader"
                className="sr-only"
                checked={one === reader}
                onChange={() => setSearch({ for: one }, { replace: true })}
              />
              {REPORT_WORDS.readers[one]}
            </label>
          ))}
        </fieldset>
        <a
          className="btn ml-auto"
          href={urlOf(wire.progress.printReport, { id, query: { for: reader, units: lengths } })}
          target="_blank"
          rel="noreferrer"
        >
          <FileText aria-hidden size={20} /> {REPORT_WORDS.pdf}
        </a>
        <button type="button" className="btn" onClick={() => window.print()}>
          <Printer aria-hidden size={20} /> {REPORT_WORDS.print}
        </button>
      </div>
      <Shown query={report} what={REPORT_SCREEN_WORDS.theReport}>
        {(page) => <Sheet page={page} />}
      </Shown>
    </div>
  );
}

const Sheet = ({ page }: { readonly page: ReportPage }) => (
  <article className="rounded border-[1.5px] border-base-300 bg-base-100 p-6">
    <h2 className="text-2xl">{page.title}</h2>
    <p className="text-base-content/80">{page.lead}</p>
    {page.sections.map(({ heading, lines, tapes }) => (
      <section key={heading} className="mt-4" aria-label={heading}>
        <h3 className="text-lg">{heading}</h3>
        {lines.map((line) => (
          <p key={line} className="mt-1">
            {line}
          </p>
        ))}
        {tapes.length > 0 && (
          <div className="mt-2 grid gap-x-6 gap-y-2 sm:grid-cols-2">
            {tapes.map(({ name, band, value, half95, before }) => (
              <div key={name}>
                <p className="text-sm font-semibold">{name}</p>
                <Tape name={name} band={band} value={value} half95={half95} before={before ?? undefined} />
              </div>
            ))}
          </div>
        )}
      </section>
    ))}
  </article>
);
