import { CARD_WORDS } from '@inchstep/contract/words';
import { toast } from 'sonner';
import { Failed } from '../../platform/parts.tsx';
import { useLibrary } from './library.tsx';
import { useDrillChoices, useSetLayer } from './queries.ts';
import { LAYER_STEPS_WORDS } from './words.layers.ts';

/** The checkpoint that a drill in use has come to; the coach adds the next, or goes back to the one before. */
export function LayerSteps({ studentId, drill: id }: { readonly studentId: string; readonly drill: string }) {
  const { byId, wordsOf } = useLibrary();
  const choices = useDrillChoices(studentId);
  const set = useSetLayer(studentId);
  const drill = byId(id);
  const choice = choices.data?.find(({ endedAt, drills }) => endedAt === null && drills.includes(id));
  if (!drill || !choice || drill.layers.length === 0) return null;
  const at = choice.layers[id] ?? 1;
  const texts = wordsOf(id)?.layers ?? [];
  const go = (layer: number) =>
    set.mutate(
      { drill: id, layer },
      {
        onSuccess: () =>
          toast(LAYER_STEPS_WORDS.now(layer), {
            action: { label: LAYER_STEPS_WORDS.undo, onClick: () => set.mutate({ drill: id, layer: at }) },
          }),
      },
    );
  return (
    <section className="mt-3 border-t-[1.5px] border-base-300 pt-3" aria-label={CARD_WORDS.layers}>
      <h3 className="font-semibold">{LAYER_STEPS_WORDS.at(at, drill.layers.length)}</h3>
      <p>
        {texts[at - 1]}
        {drill.layers[at - 1]?.tells === 'film' && ` (${CARD_WORDS.layerByFilm})`}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {at < drill.layers.length && (
          <button type="button" className="btn" disabled={set.isPending} onClick={() => go(at + 1)}>
            {LAYER_STEPS_WORDS.next}
          </button>
        )}
        {at > 1 && (
          <button type="button" className="btn" disabled={set.isPending} onClick={() => go(at - 1)}>
            {LAYER_STEPS_WORDS.back}
          </button>
        )}
      </div>
      {set.error && <Failed error={set.error} />}
    </section>
  );
}
