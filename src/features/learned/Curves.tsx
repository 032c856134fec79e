import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { nothingLearned, of, type Learned, type Parameter } from '@/core/calibrate/learned';
import { C } from '@/ui/draw/palette';

export const TITLES: Record<Parameter, string> = {
  sweat: 'Sweat',
  heat: 'Heat for the same pace',
  closing: 'Hands and feet close',
  comfort: 'You run',
  hands: 'Hands, comfort',
  feet: 'Feet, comfort',
  face: 'Face, comfort',
};

const W = 150;
const H = 39;
const BASE = H - 13;
/** Height of the widest curve; one that is narrower is as much higher, as bells are, up to the top. */
const LOW = 9;
const HIGH = 23;
/** So many standard deviations of what people differ by are drawn to either side. */
const FAR = 2.4;
const POINTS = 81;

/** Bells on one axis: what was known before, dashed, and what is known now. The tick is what was given. */
export function Curves({ before, after, p }: { before: Learned; after: Learned; p: Parameter }) {
  const people = of(nothingLearned(), p).sd;
  const [was, is] = [of(before, p), of(after, p)];
  const far = FAR * people;
  const x = scaleLinear([-far, far], [0, W]);
  const points = Array.from({ length: POINTS }, (_, i) => -far + (2 * far * i) / (POINTS - 1));
  const y =
    ({ mean, sd }: { mean: number; sd: number }) =>
    (v: number) =>
      BASE - Math.min(HIGH, (LOW * people) / sd) * Math.exp(-0.5 * ((v - mean) / sd) ** 2);
  const shape = area<number>().x(x).y0(BASE).y1(y(is))(points);
  const dashed = line<number>().x(x).y(y(was))(points);
  return (
    <svg width={W} height={H} role="img" aria-label={`${TITLES[p]}: before dashed, now full`} className="block">
      <path d={shape ?? ''} fill={C.grid} stroke={C.ink} strokeWidth={1.5} />
      <path d={dashed ?? ''} fill="none" stroke={C.ink2} strokeDasharray="3 2.5" />
      <line x1={0} x2={W} y1={BASE} y2={BASE} stroke={C.ink3} />
      <line x1={x(is.mean)} x2={x(is.mean)} y1={BASE} y2={y(is)(is.mean)} stroke={C.ink} strokeWidth={1.5} />
      <line x1={x(0)} x2={x(0)} y1={BASE - 4} y2={BASE + 2} stroke={C.ink} />
      <text x={x(0)} y={H - 3} textAnchor="middle" fontSize={11} fill={C.ink3}>
        given
      </text>
    </svg>
  );
}
