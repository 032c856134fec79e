import type { Finding, FindingKind } from './findings';

/**
 * What people do at once with what they have, when a part of them is cold or wet. Common practice, no published source, but for the
 * face: public frostbite advice (no rubbing). It comes before any change of clothes, and never instead of turning back.
 */
const HELP: Partial<Record<FindingKind, string>> = {
  fingers:
    'put the hands on the bare belly under the jacket for a few minutes, or swing the arms in circles until the blood comes; then dry gloves, the wet pair at the belly or in the pack; where they stay white or numb, turn back and have them seen',
  toes: 'loosen the laces and keep walking, add a layer to torso and legs; swinging the arms does nothing for the feet; at a stop out of the wind dry socks',
  face: 'turn from the wind, lay a warm hand on it until the colour is back, and do not rub; look at each other’s faces; where it stays white or numb, turn back and have it seen',
  'torso cold': 'put the warm layer on before you cool any further, eat, and get out of the wind',
  shivering: 'put the warm layer on, eat and drink something warm, and keep moving towards shelter',
  'soaked base': 'close the shell and work easily until the base is dry on you, or change it indoors',
  'too hot': 'open the zips, bare the head and the hands, slow down',
};

/** What helps at once against a weak point or an alarm; null for notes, and where only the plan helps. */
export const quickHelp = ({ kind, severity }: Pick<Finding, 'kind' | 'severity'>): string | null =>
  severity >= 2 ? (HELP[kind] ?? null) : null;

/** What helps who says that a part is cold. */
export const helpFor = (part: 'fingers' | 'toes'): string => HELP[part]!;
