const LONGEST = 60;

/** A file name for something the athlete named: plain letters, figures and hyphens. `Skarn Head round` → `skarn-head-round.gpx`. */
export function fileNameOf(name: string, ending: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, LONGEST);
  return `${plain || 'outing'}.${ending}`;
}
