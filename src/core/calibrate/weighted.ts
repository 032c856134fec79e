/** A value below which a share of the weight lies; weights need not add up to one. @param share 0–1 */
export function quantile(list: readonly { value: number; weight: number }[], share: number): number {
  const sorted = [...list].sort((a, b) => a.value - b.value);
  const sum = sorted.reduce((total, x) => total + x.weight, 0);
  let below = 0;
  // Each value stands for the middle of its weight, so that few values give no steps.
  for (let i = 0; i < sorted.length; i++) {
    const middle = below + sorted[i].weight / 2;
    if (middle >= share * sum) {
      if (i === 0) return sorted[0].value;
      const { value, weight } = sorted[i - 1];
      const before = below - weight / 2;
      const f = middle > before ? (share * sum - before) / (middle - before) : 1;
      return value + f * (sorted[i].value - value);
    }
    below += sorted[i].weight;
  }
  return sorted[sorted.length - 1].value;
}
