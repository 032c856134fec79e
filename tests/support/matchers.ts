/** `toBeWithin(low, high)`, also usable inside `toEqual` so that a failing check prints theirs and ours. */
expect.extend({
  toBeWithin(received: number, low: number, high: number) {
    const pass = received >= low && received <= high;
    return { pass, message: () => `expected ${received} to lie ${pass ? 'outside' : 'within'} ${low} to ${high}` };
  },
});

declare global {
  // Jest's own types are a namespace; there is no other way to extend them.
  // eslint-disable-next-line @typescript-eslint/no-namespace
  namespace jest {
    interface Matchers<R> {
      toBeWithin(low: number, high: number): R;
    }
    interface Expect {
      toBeWithin(low: number, high: number): unknown;
    }
  }
}

export {};
