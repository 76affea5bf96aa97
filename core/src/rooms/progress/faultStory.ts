import { BELIEVED, type Diagnosis } from '../diagnosis/index.ts';

/** One fault over all diagnoses of a student. */
interface FaultStoryLine {
  readonly fault: string;
  /** The root with which it goes, as it was last named; null where it stood by itself. */
  readonly follows: string | null;
  readonly points: readonly FaultStoryPoint[];
}

interface FaultStoryPoint {
  readonly at: string;
  /** Steps beyond the band; null where it was not believed. */
  readonly steps: number | null;
  readonly root: boolean;
  /** The root that it was laid to that day. */
  readonly follows: string | null;
}

export interface DatedDiagnosis {
  readonly at: string;
  readonly result: {
    readonly faults: Diagnosis['faults'];
    readonly strengths: Diagnosis['strengths'];
    readonly roots: readonly Pick<Diagnosis['roots'][number], 'fault' | 'explains'>[];
  };
}

/** Every fault that was ever believed, in the order in which they came up, each root with those that go with it behind it. */
export function faultStory(diagnoses: readonly DatedDiagnosis[]): FaultStoryLine[] {
  const inOrder = [...diagnoses].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  const lines = everBelieved(inOrder).map((fault): FaultStoryLine => {
    const points = inOrder.map((one) => pointOf(one, fault));
    const follows = points.findLast(({ steps }) => steps !== null)?.follows ?? null;
    return { fault, follows, points };
  });
  const named = new Set(lines.map(({ fault }) => fault));
  const own = lines.filter(({ follows }) => follows === null || !named.has(follows));
  const placed = own.flatMap((line) => [line, ...lines.filter(({ follows }) => follows === line.fault)]);
  // Whose root has itself come to follow another one stands where it came up.
  return [...placed, ...lines.filter((line) => !placed.includes(line))];
}

const everBelieved = (inOrder: readonly DatedDiagnosis[]): string[] => [
  ...new Set(
    inOrder.flatMap(({ result }) => [
      ...result.roots.map(({ fault }) => fault),
      ...Object.keys(result.faults).filter((id) => isBelieved(result, id)),
    ]),
  ),
];

const isBelieved = ({ faults }: DatedDiagnosis['result'], fault: string): boolean =>
  (faults[fault] ?? 0) > BELIEVED;

function pointOf({ at, result }: DatedDiagnosis, fault: string): FaultStoryPoint {
  const root = result.roots.some((one) => one.fault === fault);
  const above = root ? undefined : result.roots.find(({ explains }) => explains.includes(fault));
  return isBelieved(result, fault)
    ? { at, steps: result.strengths[fault] ?? 0, root, follows: above?.fault ?? null }
    : { at, steps: null, root, follows: null };
}
