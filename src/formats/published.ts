import { archiveSchema } from './archive';
import { tapSchema } from './tapJson';
import { stationObservedSchema, stationWeatherSchema } from './stationJson';
import { garmentSchema, mineSchema, outingSchema, planCaseSchema, planSchema, simulateSchema } from './schemas';

/** Published under schemas/. */
export const PUBLISHED = {
  'simulate.schema.json': simulateSchema,
  'plan-case.schema.json': planCaseSchema,
  'mine.schema.json': mineSchema,
  'station-observed.schema.json': stationObservedSchema,
  'station-weather.schema.json': stationWeatherSchema,
  'garment.schema.json': {
    $schema: 'http://json-schema.org/draft-07/schema#',
    title: 'Lofted Ember: garment',
    ...garmentSchema,
  },
  'plan.schema.json': {
    $schema: 'http://json-schema.org/draft-07/schema#',
    title: 'Lofted Ember: plan content',
    ...planSchema,
  },
  'outing.schema.json': {
    $schema: 'http://json-schema.org/draft-07/schema#',
    title: 'Lofted Ember: outing',
    ...outingSchema,
  },
  'tap.schema.json': {
    $schema: 'http://json-schema.org/draft-07/schema#',
    title: 'Lofted Ember: one thing told on the way',
    ...tapSchema,
  },
  'archive.schema.json': {
    $schema: 'http://json-schema.org/draft-07/schema#',
    title: 'Lofted Ember: archive.json, everything of one athlete',
    ...archiveSchema,
  },
} as const;
