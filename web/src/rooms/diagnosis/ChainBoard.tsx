import { chanceText, faultName, findingName } from '@inchstep/contract/words';
import { type Diagnosis, downstreamOf } from '@inchstep/core/diagnosis';
import type { School } from '@inchstep/core/intake';
import { linkHorizontal } from 'd3';
import { type KeyboardEvent, useState } from 'react';
import { Loading } from '../../platform/parts.tsx';
import type { Chain, ChainLink, ChainNode } from './chainLayout.ts';
import { useChain } from './useChain.ts';
import { CHAIN_BOARD_WORDS } from './words.ts';

/** What was found, what it comes from, and where the chain begins; a root picked lights what it would explain. */
export function ChainBoard({
  diagnosis,
  school,
}: {
  readonly diagnosis: Diagnosis;
  readonly school: School;
}) {
  const [all, setAll] = useState(false);
  const [picked, setPicked] = useState<string | null>(diagnosis.roots[0]?.fault ?? null);
  const chain = useChain(diagnosis, school, all);
  if (!chain) return <Loading what={CHAIN_BOARD_WORDS.theChain} />;
  const lit = litBy(picked, chain);
  return (
    <section aria-label={CHAIN_BOARD_WORDS.chainBoard} className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
        <span>{CHAIN_BOARD_WORDS.leftWhatWasFound}</span>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={all}
            onChange={(e) => setAll(e.target.checked)}
          />{' '}
          {CHAIN_BOARD_WORDS.allFaults}
        </label>
        <p role="status" className="ml-auto font-semibold">
          {picked
            ? CHAIN_BOARD_WORDS.wouldExplainOfFindings(
                faultName(picked),
                lit.findings,
                diagnosis.present.length,
              )
            : ''}
        </p>
      </div>
      <svg
        viewBox={`0 0 ${chain.width} ${chain.height}`}
        className="w-full rounded border-[1.5px] border-base-300 bg-base-100"
      >
        <title>{CHAIN_BOARD_WORDS.chainFromFindings}</title>
        {chain.links.map((link) => (
          <LinkPath key={`${link.from}>${link.to}`} link={link} chain={chain} lit={lit.ids} />
        ))}
        {chain.nodes.map((node) => (
          <NodeBox
            key={node.id}
            node={node}
            chain={chain}
            root={diagnosis.roots.some((r) => r.fault === node.id)}
            picked={picked === node.id}
            lit={lit.ids.size === 0 || lit.ids.has(node.id)}
            onPick={() => setPicked(picked === node.id ? null : node.id)}
          />
        ))}
      </svg>
      <AsList diagnosis={diagnosis} chain={chain} />
    </section>
  );
}

/** The picked fault, everything downstream of it and their findings. */
function litBy(picked: string | null, chain: Chain): { ids: ReadonlySet<string>; findings: number } {
  if (picked === null) return { ids: new Set(), findings: 0 };
  const below = new Set([picked, ...downstreamOf(picked)]);
  const findings = new Set(
    chain.links.filter((l) => below.has(l.to) && !below.has(l.from)).map((l) => l.from),
  );
  const faults = new Set(chain.nodes.filter((n) => n.kind === 'fault').map((n) => n.id));
  for (const id of [...findings]) if (faults.has(id)) findings.delete(id);
  return { ids: new Set([...below, ...findings]), findings: findings.size };
}

const curve = linkHorizontal<unknown, [number, number]>();

function LinkPath({
  link,
  chain,
  lit,
}: {
  readonly link: ChainLink;
  readonly chain: Chain;
  readonly lit: ReadonlySet<string>;
}) {
  const from = chain.nodes.find((n) => n.id === link.from);
  const to = chain.nodes.find((n) => n.id === link.to);
  if (!from || !to) return null;
  const half = chain.boxWidth / 2;
  const on = lit.has(link.from) && lit.has(link.to);
  return (
    <path
      d={curve({ source: [from.x + half, from.y], target: [to.x - half, to.y] }) ?? ''}
      fill="none"
      stroke="currentColor"
      strokeWidth={0.6 + 9 * link.weight}
      opacity={on ? 0.75 : 0.16}
    />
  );
}

function NodeBox({
  node,
  chain,
  root,
  picked,
  lit,
  onPick,
}: {
  readonly node: ChainNode;
  readonly chain: Chain;
  readonly root: boolean;
  readonly picked: boolean;
  readonly lit: boolean;
  readonly onPick: () => void;
}) {
  const { boxWidth, boxHeight } = chain;
  const fault = node.kind === 'fault';
  const name = fault ? faultName(node.id) : findingName(node.id);
  const size = boxWidth > 170 ? 13.5 : 11.5;
  const lines = twoLines(name, Math.floor((boxWidth - (fault ? 46 : 12)) / (size * 0.52)));
  const pick = {
    role: 'button',
    tabIndex: 0,
    'aria-pressed': picked,
    onClick: onPick,
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key !== 'Enter' && event.key !== ' ') return;
      event.preventDefault();
      onPick();
    },
    style: { cursor: 'pointer' },
  };
  return (
    <g
      transform={`translate(${node.x - boxWidth / 2} ${node.y - boxHeight / 2})`}
      opacity={lit ? 1 : 0.55}
      {...(fault ? pick : {})}
    >
      {!fault && <title>{name}</title>}
      <rect
        width={boxWidth}
        height={boxHeight}
        rx={fault ? 3 : boxHeight / 2}
        fill={picked ? 'var(--tape)' : 'var(--color-base-200)'}
        stroke={picked ? 'var(--tape-ink)' : 'currentColor'}
        strokeWidth={root ? 3.5 : fault ? 1.2 : 0.8}
      />
      {lines.map((line, i) => (
        <text
          key={line}
          x={fault ? 7 : boxWidth / 2}
          y={boxHeight / 2 + size * (0.36 + 1.12 * (i - (lines.length - 1) / 2))}
          fontSize={size}
          fontWeight={root ? 700 : 400}
          textAnchor={fault ? 'start' : 'middle'}
          fill={picked ? 'var(--tape-ink)' : 'currentColor'}
        >
          {`${line} `}
        </text>
      ))}
      {fault && (
        <text
          x={boxWidth - 6}
          y={boxHeight / 2 + size * 0.36}
          fontSize={size}
          textAnchor="end"
          fill={picked ? 'var(--tape-ink)' : 'currentColor'}
        >
          {`${Math.min(99, Math.round(100 * node.weight))} %`}
        </text>
      )}
    </g>
  );
}

/** A name on two lines at most, cut only when even that is too narrow. */
export function twoLines(name: string, room: number): string[] {
  if (name.length <= room) return [name];
  const cut = name.lastIndexOf(' ', room);
  const [first, rest] =
    cut > 0 ? [name.slice(0, cut), name.slice(cut + 1)] : [name.slice(0, room), name.slice(room)];
  return [first, rest.length > room ? `${rest.slice(0, room - 1)}…` : rest];
}

/** The same chain in lines, for screen readers and for print. */
function AsList({ diagnosis, chain }: { readonly diagnosis: Diagnosis; readonly chain: Chain }) {
  const faults = chain.nodes.filter((n) => n.kind === 'fault').sort((a, b) => b.weight - a.weight);
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        {CHAIN_BOARD_WORDS.chainAsAList}
      </summary>
      <ul className="list-disc pl-5 text-sm">
        {faults.map((node) => {
          const found = chain.links.filter((l) => l.to === node.id && diagnosis.present.includes(l.from));
          const causes = chain.links.filter((l) => l.from === node.id);
          return (
            <li key={node.id}>
              <span className="font-semibold">{faultName(node.id)}</span>, {chanceText(node.weight)}
              {found.length > 0 && CHAIN_BOARD_WORDS.found(found.map((l) => findingName(l.from)).join('; '))}
              {causes.length > 0 &&
                CHAIN_BOARD_WORDS.mayComeFrom(causes.map((l) => faultName(l.to)).join(', '))}
              .
            </li>
          );
        })}
      </ul>
    </details>
  );
}
