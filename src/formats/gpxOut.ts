import { XMLBuilder } from 'fast-xml-parser';
import type { RoutePoint } from '@/core/outing/route';

/** A GPX 1.1 track of a route, every point as it was taken in. Our own reader takes it back unchanged. */
export function gpxOf(name: string, points: readonly RoutePoint[]): string {
  const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true, indentBy: ' ' });
  return builder.build({
    '?xml': { '@version': '1.0', '@encoding': 'UTF-8' },
    gpx: {
      '@version': '1.1',
      '@creator': 'Lofted Ember',
      '@xmlns': 'http://www.topografix.com/GPX/1/1',
      trk: {
        name,
        trkseg: {
          trkpt: points.map((p) => ({
            '@lat': p.lat,
            '@lon': p.lon,
            ...(p.eleM === null ? {} : { ele: p.eleM }),
            ...(p.timeMs === null ? {} : { time: new Date(p.timeMs).toISOString() }),
          })),
        },
      },
    },
  });
}
