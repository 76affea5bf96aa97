import { Link } from 'react-router';
import { toast } from 'sonner';
import { useLibrary } from './library.tsx';
import { useOwnDrills, useRetireDrill } from './queries.ts';

/** Whose drill this is, and what can be done with it: copy, change, put aside, take up again. */
export function DrillActions({ id }: { readonly id: string }) {
  const { byId, nameOf } = useLibrary();
  const entry = useOwnDrills().data?.find((own) => own.drill.id === id);
  const retire = useRetireDrill();
  if (!entry) {
    return (
      <span className="flex items-center gap-3">
        {byId(id)?.ours && <span className="text-sm">designed here</span>}
        <Link className="btn" to={`/library/${id}/edit`}>
          Copy and change
        </Link>
      </span>
    );
  }
  const used = entry.usedBy.map(({ name }) => name).join(', ');
  const setAside = (retired: boolean) =>
    retire.mutate(
      { id, retired },
      {
        onSuccess: () =>
          toast(
            retired
              ? `Put aside, and offered to nobody.${used ? ` It stays in the plan of ${used}.` : ''}`
              : 'Offered again.',
            { action: { label: 'Undo', onClick: () => setAside(!retired) } },
          ),
      },
    );
  return (
    <span className="flex flex-wrap items-center gap-2">
      <span className="text-sm">
        your own{entry.basedOn && `, after “${nameOf(entry.basedOn)}”`}
        {entry.replaces && ', in its place'}
        {used && `; in use with ${used}`}
      </span>
      <Link className="btn" to={`/library/${id}/edit`}>
        Change
      </Link>
      <button
        type="button"
        className="btn"
        disabled={retire.isPending}
        onClick={() => setAside(!entry.retired)}
      >
        {entry.retired ? 'Take up again' : 'Put aside'}
      </button>
    </span>
  );
}
