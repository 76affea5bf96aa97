import { expose } from 'comlink';
import { type Chain, type ChainAsk, layChain } from '../rooms/diagnosis/chainLayout.ts';

export interface ChainWorker {
  lay(ask: ChainAsk): Chain;
}
expose({ lay: layChain } satisfies ChainWorker);
