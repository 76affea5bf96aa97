import { Link } from 'react-router';
import { toast } from 'sonner';
import { useLibrary } from './library.tsx';
import { useOwnDrills, useRetireDrill } from './queries.ts';
import { DRILL_ACTIONS_WORDS } from './words.ts';

/** Whose drill this is, and what can be done with it: copy, change, put aside, take up again. */
export function DrillActions({ id }: { readonly id: string }) {
  const { byId, nameOf } = useLibrary();
  const entry = useOwnDrills().data?.find((own) => own.drill.id === id);
  const retire = useRetireDrill();
  if (!entry) {
    return (
      <span className="flex items-center gap-3">
        {byId(id)?.ours && <span className="text-sm">{DRILL_ACTIONS_WORDS.designedHere}</span>}
        <Link className="btn" to={`/library/${id}/edit`}>
          {DRILL_ACTIONS_WORDS.copyAndChange}
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
          toast(retired ? DRILL_ACTIONS_WORDS.retired(used) : DRILL_ACTIONS_WORDS.offeredAgain, {
            action: { label: DRILL_ACTIONS_WORDS.undo, onClick: () => setAside(!retired) },
          }),
      },
    );
  return (
    <span className="flex flex-wrap items-center gap-2">
      <span className="text-sm">
        {DRILL_ACTIONS_WORDS.yourOwn}
        {entry.basedOn && DRILL_ACTIONS_WORDS.after(nameOf(entry.basedOn))}
        {entry.replaces && DRILL_ACTIONS_WORDS.inItsPlace}
        {used && DRILL_ACTIONS_WORDS.inUse(used)}
      </span>
      <Link className="btn" to={`/library/${id}/edit`}>
        {DRILL_ACTIONS_WORDS.change}
      </Link>
      <button
        type="button"
        className="btn"
        disabled={retire.isPending}
        onClick={() => setAside(!entry.retired)}
      >
        {entry.retired ? DRILL_ACTIONS_WORDS.takeUpAgain : DRILL_ACTIONS_WORDS.putAside}
      </button>
    </span>
  );
}
