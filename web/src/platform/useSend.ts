import { type QueryKey, useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { newId } from './ids.ts';
import { keys, LISTS } from './queryKeys.ts';

interface Sending<In, Out> {
  readonly send: (id: string, input: In) => Promise<Out>;
  /** Whom it is about; the lists are asked anew with the student. */
  readonly student?: string | undefined;
  /** What else is asked anew. */
  readonly alsoAnew?: readonly QueryKey[];
}

/**
 * A write with an id of its own. What is sent again because the answer got lost keeps its id, so that it counts
 * once; what was changed before it is sent again, or is new, gets another.
 */
export function useSend<In, Out>({ send, student, alsoAnew = [] }: Sending<In, Out>) {
  const client = useQueryClient();
  const tried = useRef<{ readonly what: string; readonly id: string } | null>(null);
  return useMutation({
    mutationFn: (input: In) => {
      const what = JSON.stringify(input ?? null);
      const id = tried.current?.what === what ? tried.current.id : newId();
      tried.current = { what, id };
      return send(id, input);
    },
    onSuccess: () => {
      tried.current = null;
      const anew = [...(student === undefined ? [] : [keys.student(student)]), ...LISTS, ...alsoAnew];
      return Promise.all(anew.map((queryKey) => client.invalidateQueries({ queryKey })));
    },
  });
}
