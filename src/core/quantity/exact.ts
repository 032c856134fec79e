/**
 * Exponential, logarithm, power, sine and cosine from + − × ÷ alone, so that every engine gets the same bits. The built-in
 * ones differ in the last bit between Node and a browser in one value in ten (measured), and a plan made at home must be the
 * plan on the phone. Methods and constants of the freely usable fdlibm (Sun Microsystems 1993), from memory; within 1 ulp of
 * the built-ins over the ranges used here. Own code because the published package of such functions brings 170 others.
 */
const LN2_HIGH = 6.9314718036912381649e-1;
const LN2_LOW = 1.90821492927058770002e-10;

/** 2^k for −1022 ≤ k ≤ 1023, by doubling and halving: exact. */
const POWER_OF_TWO = ((): Float64Array => {
  const t = new Float64Array(2046);
  t[1022] = 1;
  for (let k = 1; k <= 1023; k++) t[1022 + k] = t[1022 + k - 1] * 2;
  for (let k = 1; k <= 1022; k++) t[1022 - k] = t[1022 - k + 1] / 2;
  return t;
})();

/** e^x; 0 below −708 and Infinity above 709. */
export function exp(x: number): number {
  if (!(x > -708)) return x !== x ? NaN : 0;
  if (x > 709) return Infinity;
  const k = Math.floor(x / (LN2_HIGH + LN2_LOW) + 0.5);
  const high = x - k * LN2_HIGH;
  const low = k * LN2_LOW;
  const r = high - low;
  const t = r * r;
  const c =
    r -
    t *
      (1.66666666666666019037e-1 +
        t *
          (-2.77777777770155933842e-3 +
            t * (6.61375632143793436117e-5 + t * (-1.6533902205465251539e-6 + t * 4.13813679705723846039e-8))));
  return (1 - (low - (r * c) / (2 - c) - high)) * POWER_OF_TWO[1022 + k];
}

/** Natural logarithm; NaN below 0, −Infinity at 0. */
export function ln(x: number): number {
  if (!(x > 0)) return x === 0 ? -Infinity : NaN;
  if (x === Infinity) return x;
  // x = 2^k (1 + f), with √½ < 1 + f < √2.
  let k = 0;
  let m = x;
  while (m >= 1.4142135623730951) {
    m /= 2;
    k++;
  }
  while (m < 0.7071067811865476) {
    m *= 2;
    k--;
  }
  const f = m - 1;
  const s = f / (2 + f);
  const z = s * s;
  const w = z * z;
  const even = w * (3.999999999940941908e-1 + w * (2.222219843214978396e-1 + w * 1.531383769920937332e-1));
  const odd =
    z *
    (6.66666666666673513e-1 +
      w * (2.857142874366239149e-1 + w * (1.818357216161805012e-1 + w * 1.479819860511658591e-1)));
  const half = 0.5 * f * f;
  return k * LN2_HIGH - (half - (s * (half + even + odd) + k * LN2_LOW) - f);
}

/** base^exponent for base ≥ 0; relative error grows with |exponent · ln base|, below 1e-14 here. */
export function power(base: number, exponent: number): number {
  if (exponent === 0) return 1;
  if (base === 0) return exponent > 0 ? 0 : Infinity;
  return exp(exponent * ln(base));
}

const HALF_PI_HIGH = 1.57079632673412561417;
const HALF_PI_LOW = 6.07710050650619224932e-11;

/** Sine and cosine on −π/4 to π/4. */
function kernelSine(x: number): number {
  const z = x * x;
  return (
    x +
    x *
      z *
      (-1.66666666666666324348e-1 +
        z *
          (8.33333333332248946124e-3 +
            z *
              (-1.98412698298579493134e-4 +
                z * (2.75573137070700676789e-6 + z * (-2.50507602534068634195e-8 + z * 1.58969099521155010221e-10)))))
  );
}
function kernelCosine(x: number): number {
  const z = x * x;
  const r =
    z *
    (4.16666666666666019037e-2 +
      z *
        (-1.38888888888741095749e-3 +
          z *
            (2.48015872894767294178e-5 +
              z * (-2.75573143513906633035e-7 + z * (2.0875723212981748279e-9 + z * -1.13596475577881948265e-11)))));
  return 1 - (0.5 * z - z * r);
}

/** Sine of an angle, rad; for angles up to some thousand turns. */
export function sine(x: number): number {
  const n = Math.floor(x / (HALF_PI_HIGH + HALF_PI_LOW) + 0.5);
  const r = x - n * HALF_PI_HIGH - n * HALF_PI_LOW;
  const quarter = ((n % 4) + 4) % 4;
  const v = quarter % 2 === 0 ? kernelSine(r) : kernelCosine(r);
  return quarter < 2 ? v : -v;
}

/** Cosine of an angle, rad. */
export function cosine(x: number): number {
  const n = Math.floor(x / (HALF_PI_HIGH + HALF_PI_LOW) + 0.5);
  const r = x - n * HALF_PI_HIGH - n * HALF_PI_LOW;
  const quarter = ((n % 4) + 4) % 4;
  const v = quarter % 2 === 0 ? kernelCosine(r) : kernelSine(r);
  return quarter === 0 || quarter === 3 ? v : -v;
}

/** Rounds away the last bits of a number that came through a function no engine promises, such as another library's. */
export function steady(x: number): number {
  return Math.round(x * 1e6) / 1e6;
}

/** Order of two texts by their code units: the same everywhere, where `localeCompare` asks what language the browser speaks. */
export const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
