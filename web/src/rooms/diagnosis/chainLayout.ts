import {
  CAUSE_POWER,
  CAUSES,
  type Diagnosis,
  FAULTS,
  FINDING_POWER,
  findingLinks,
} from '@inchstep/core/diagnosis';
import type { School } from '@inchstep/core/intake';
import { mean, scalePoint } from 'd3';

export interface ChainNode {
  readonly id: string;
  readonly kind: 'finding' | 'fault';
  readonly x: number;
  readonly y: number;
  /** 0..1: a fault's probability; 1 for a finding that is there. */
  readonly weight: number;
}

export interface ChainLink {
  readonly from: string;
  readonly to: string;
  /** 0..1: how much runs along it. */
  readonly weight: number;
}

export interface Chain {
  readonly width: number;
  readonly height: number;
  readonly boxWidth: number;
  readonly boxHeight: number;
  readonly nodes: readonly ChainNode[];
  readonly links: readonly ChainLink[];
}

export interface ChainAsk {
  readonly diagnosis: Pick<Diagnosis, 'faults' | 'present' | 'roots'>;
  readonly school: School;
  /** All faults, also those that nothing speaks for. */
  readonly all: boolean;
}

const WIDTH = 1180;
const IN_PLAY = 0.15;
const BOX_WIDTH = 210;
const GAP = 5;
/** The more rows, the closer they stand: two lines of text always fit. */
const rowHeight = (rows: number): number => (rows > 20 ? 31 : rows > 12 ? 38 : 46);
const SWEEPS = 6;

/**
 * Findings on the left edge, roots on the right, what lies between by how far down the chain it
 * is. Rows are ordered so that links cross little (each node to the mean of its neighbours, swept
 * back and forth).
 */
export function layChain({ diagnosis, school, all }: ChainAsk): Chain {
  const faults = FAULTS.map((f) => f.id).filter((id) => all || (diagnosis.faults[id] ?? 0) > IN_PLAY);
  const inPlay = new Set(faults);
  const links = linksOf(diagnosis, school, inPlay);
  const depth = depths(faults);
  const deepest = Math.max(0, ...depth.values());
  const findings = diagnosis.present.filter((f) => links.some((link) => link.from === f));
  const layers = [
    findings,
    ...range(deepest + 1).map((k) => faults.filter((f) => depth.get(f) === deepest - k)),
  ];
  const ordered = order(layers, links);
  const most = Math.max(1, ...ordered.map((layer) => layer.length));
  const row = rowHeight(most);
  const height = most * row + 20;
  const boxWidth = Math.min(BOX_WIDTH, WIDTH / Math.max(2, ordered.length) - 16);
  const x = scalePoint(range(ordered.length), [boxWidth / 2 + 2, WIDTH - boxWidth / 2 - 2]);
  const nodes = ordered.flatMap((layer, column) => {
    const y = scalePoint(layer, [0, height]).padding(0.5);
    return layer.map(
      (id): ChainNode => ({
        id,
        kind: column === 0 ? 'finding' : 'fault',
        x: x(column) ?? WIDTH / 2,
        y: y(id) ?? 0,
        weight: column === 0 ? 1 : (diagnosis.faults[id] ?? 0),
      }),
    );
  });
  return {
    width: WIDTH,
    height,
    boxWidth,
    boxHeight: row - GAP,
    nodes,
    links,
  };
}

const range = (n: number): number[] => Array.from({ length: n }, (_, i) => i);

function linksOf(diagnosis: ChainAsk['diagnosis'], school: School, inPlay: ReadonlySet<string>): ChainLink[] {
  const chance = (id: string) => diagnosis.faults[id] ?? 0;
  const parents = findingLinks(school);
  const seen = diagnosis.present.flatMap((finding) =>
    (parents.get(finding) ?? [])
      .filter((link) => inPlay.has(link.fault))
      .map(
        ({ fault, strength }): ChainLink => ({
          from: finding,
          to: fault,
          weight: FINDING_POWER[strength] * chance(fault),
        }),
      ),
  );
  const caused = CAUSES.filter((c) => inPlay.has(c.cause) && inPlay.has(c.effect)).map(
    ({ cause, effect, strength }): ChainLink => ({
      from: effect,
      to: cause,
      weight: CAUSE_POWER[strength] * chance(cause) * chance(effect) * 2,
    }),
  );
  return [...seen, ...caused].map((link) => ({ ...link, weight: Math.min(1, link.weight) }));
}

/** How many links a fault lies below the last cause in play above it: 0 = nothing in play brings it about. */
function depths(faults: readonly string[]): Map<string, number> {
  const inPlay = new Set(faults);
  const known = new Map<string, number>();
  const depthOf = (id: string): number => {
    const before = known.get(id);
    if (before !== undefined) return before;
    const above = CAUSES.filter((c) => c.effect === id && inPlay.has(c.cause)).map(
      (c) => depthOf(c.cause) + 1,
    );
    const depth = Math.max(0, ...above);
    known.set(id, depth);
    return depth;
  };
  for (const id of faults) depthOf(id);
  return known;
}

function order(layers: readonly (readonly string[])[], links: readonly ChainLink[]): string[][] {
  const rows = layers.map((layer) => [...layer]);
  const place = new Map<string, number>();
  const settle = () => {
    for (const layer of rows) for (const [i, id] of layer.entries()) place.set(id, (i + 0.5) / layer.length);
  };
  settle();
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    for (const layer of sweep % 2 === 0 ? rows : [...rows].reverse()) {
      const wish = new Map(layer.map((id) => [id, wishOf(id, links, place)]));
      layer.sort((a, b) => (wish.get(a) as number) - (wish.get(b) as number) || (a < b ? -1 : 1));
      settle();
    }
  }
  return rows;
}

function wishOf(id: string, links: readonly ChainLink[], place: ReadonlyMap<string, number>): number {
  const near = links.flatMap(({ from, to }) =>
    from === id ? [place.get(to) ?? 0.5] : to === id ? [place.get(from) ?? 0.5] : [],
  );
  return mean(near) ?? place.get(id) ?? 0.5;
}
