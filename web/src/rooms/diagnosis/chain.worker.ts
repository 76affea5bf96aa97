import { expose } from 'comlink';
import { type Chain, type ChainAsk, layChain } from './chainLayout.ts';

export interface ChainWorker {
  lay(ask: ChainAsk): Chain;
}
expose({ lay: layChain } satisfies ChainWorker);
