/** What a number in a form may be, in the unit it is shown in. */
export interface NumberRule {
  label: string;
  low: number;
  high: number;
  unit: string;
  /** an empty field is a value of its own: nothing said */
  optional?: boolean;
}

const shown = (v: number): string => String(Number(v.toPrecision(4))).replace('-', '−');

/** How a rule reads to a person: `35 to 160 kg`. */
export const allowed = ({ low, high, unit }: NumberRule): string =>
  `${shown(low)} to ${shown(high)}${unit ? ` ${unit}` : ''}`;

/** Rules for one number of a form, saying what is wrong in a sentence that names field, range and unit. */
export const numberRules = (rule: NumberRule) => ({
  setValueAs: (text: unknown): number | null => {
    if (typeof text === 'number') return text;
    const said = String(text ?? '')
      .trim()
      .replace('−', '-')
      .replace(',', '.');
    return said === '' ? null : Number(said);
  },
  validate: (v: unknown): true | string => {
    if (v === null || v === undefined || v === '')
      return rule.optional || `${rule.label} is empty. It may be ${allowed(rule)}.`;
    if (typeof v !== 'number' || Number.isNaN(v)) return `${rule.label} is no number. It may be ${allowed(rule)}.`;
    return (v >= rule.low && v <= rule.high) || `${rule.label} is ${shown(v)}. It may be ${allowed(rule)}.`;
  },
});
