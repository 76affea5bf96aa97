/** What is known of one group by itself. */
interface GroupSeen {
  readonly mean: number;
  readonly se: number;
}
export interface GroupPooled {
  readonly mean: number;
  readonly sd: number;
}

const GRID = 120;

/**
 * Groups that are like each other as far as they show it: each one's mean is drawn towards the mean of all, the more the less is
 * known of it and the less the groups differ. Normal groups about a normal mean; how far groups differ (tau) is flat from nought
 * to three times the widest error and summed out. With one group there is nothing to be drawn towards: it stays as it is seen.
 */
export function partlyPooled(groups: readonly GroupSeen[]): GroupPooled[] {
  if (groups.length < 2) return groups.map(({ mean, se }) => ({ mean, sd: se }));
  const means = groups.map(({ mean }) => mean);
  const widest = Math.max(...groups.map(({ se }) => se), (Math.max(...means) - Math.min(...means)) / 2);
  const taus = Array.from({ length: GRID }, (_, i) => ((i + 0.5) * 3 * widest) / GRID);
  const at = taus.map((tau) => given(groups, tau));
  const top = Math.max(...at.map(({ log }) => log));
  const weights = at.map(({ log }) => Math.exp(log - top));
  const all = weights.reduce((a, b) => a + b, 0);
  return groups.map((_, j) => {
    let mean = 0;
    let square = 0;
    at.forEach(({ groups: found }, i) => {
      const { mean: m, variance } = found[j] as { mean: number; variance: number };
      const w = (weights[i] as number) / all;
      mean += w * m;
      square += w * (variance + m * m);
    });
    return { mean, sd: Math.sqrt(Math.max(0, square - mean * mean)) };
  });
}

/** Everything for one tau: the groups, and how well that tau fits (the common mean summed out). */
function given(groups: readonly GroupSeen[], tau: number) {
  let weight = 0;
  let sum = 0;
  for (const { mean, se } of groups) {
    const w = 1 / (se * se + tau * tau);
    weight += w;
    sum += w * mean;
  }
  const common = sum / weight;
  let log = -0.5 * Math.log(weight);
  const found = groups.map(({ mean, se }) => {
    const total = se * se + tau * tau;
    log -= 0.5 * (Math.log(total) + (mean - common) ** 2 / total);
    // Its own sight and the common mean, each by what it is worth; the common mean's own doubt comes on top.
    const toCommon = (se * se) / total;
    return {
      mean: toCommon * common + (1 - toCommon) * mean,
      variance: (1 - toCommon) * se * se + toCommon ** 2 / weight,
    };
  });
  return { log, groups: found };
}
