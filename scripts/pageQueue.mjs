/**
 * Pages made side by side all come late together: one after another most of them come soon, and what is saved meanwhile does not wait
 * behind them. So pages stand in line, a few being made at a time.
 * @param most pages being made at once
 */
export function pageQueue(most) {
  const waiting = [];
  let made = 0;
  const next = () => {
    while (made < most && waiting.length > 0) {
      const { res, make } = waiting.shift();
      made++;
      res.once('close', () => {
        made--;
        next();
      });
      make();
    }
  };
  /** @param res whose end lets the next one in @param make begins it */
  return (res, make) => {
    const one = { res, make };
    waiting.push(one);
    // Whoever goes while standing in line leaves it.
    res.once('close', () => {
      const at = waiting.indexOf(one);
      if (at >= 0) waiting.splice(at, 1);
    });
    next();
  };
}
