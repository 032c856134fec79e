import { CATALOGUE } from '@/core/clothing/catalogue';
import { plainGarment } from '@/core/clothing/garment';

test('a garment made plain is the same garment, whatever order its fields come in', () => {
  for (const g of CATALOGUE) {
    const jumbled = Object.fromEntries(Object.entries(g).reverse()) as unknown as typeof g;
    expect(plainGarment(jumbled)).toEqual(g);
    expect(Object.keys(plainGarment(jumbled))).toEqual(Object.keys(plainGarment(g)));
    // Nothing it may have is left behind.
    expect(Object.keys(plainGarment(g))).toEqual(expect.arrayContaining(Object.keys(g)));
  }
});
