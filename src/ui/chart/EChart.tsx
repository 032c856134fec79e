'use client';
import { BarChart, CustomChart, LineChart } from 'echarts/charts';
import {
  AriaComponent,
  DataZoomComponent,
  GridComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components';
import { init, use as register, type EChartsCoreOption, type EChartsType } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { houseStyle, tokens, type Tokens } from './theme';
import { useLook } from './useLook';

register([
  BarChart,
  LineChart,
  CustomChart,
  GridComponent,
  TooltipComponent,
  MarkLineComponent,
  DataZoomComponent,
  AriaComponent,
  SVGRenderer,
]);

export interface EChartProps {
  /** what it shows, in a sentence */
  label: string;
  height: number;
  /** made from the page's tokens */
  option: (t: Tokens) => EChartsCoreOption;
  /** points of the first series, for arrow keys */
  points: number;
  /** a point chosen by click or Enter */
  onPick?: (index: number) => void;
}

/** A plain chart. Arrow keys walk its points and show each one's words; Enter chooses it. */
export default function EChart({ label, height, option, points, onPick }: EChartProps) {
  const host = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType | null>(null);
  const [at, setAt] = useState(-1);
  const look = useLook();
  const pick = useRef(onPick);
  useEffect(() => {
    pick.current = onPick;
  });

  useEffect(() => {
    const made = init(host.current!, null, { renderer: 'svg' });
    chart.current = made;
    made.on('click', (e) => pick.current?.(e.dataIndex ?? -1));
    const observer = new ResizeObserver(() => made.resize());
    observer.observe(host.current!);
    return () => {
      observer.disconnect();
      made.dispose();
      chart.current = null;
    };
  }, []);

  useEffect(() => {
    const t = tokens();
    chart.current?.setOption({ ...houseStyle(t), ...option(t) }, { notMerge: true });
    // `look`: the tokens are read anew when the theme changes.
  }, [option, look]);

  const onKeyDown = (e: KeyboardEvent) => {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    if (step !== undefined) {
      const next = Math.min(points - 1, Math.max(0, at + step));
      setAt(next);
      chart.current?.dispatchAction({ type: 'showTip', seriesIndex: 0, dataIndex: next });
    } else if (e.key === 'Enter' && at >= 0) onPick?.(at);
    else if (e.key === 'Escape') chart.current?.dispatchAction({ type: 'hideTip' });
    else return;
    e.preventDefault();
    e.stopPropagation();
  };

  return (
    <div
      ref={host}
      role="application"
      aria-roledescription="chart"
      aria-label={`${label}. Arrow keys walk along it; the table below says the same.`}
      tabIndex={0}
      style={{ height }}
      className="w-full"
      onKeyDown={onKeyDown}
    />
  );
}
