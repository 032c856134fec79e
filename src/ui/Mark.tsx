/** The mark: layers over an ember. */
export function Mark({ size = 22 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true">
      <g fill="none" stroke="var(--color-ink)" strokeWidth="2.4" strokeLinecap="round">
        <path d="M3 27C5 6 27 6 29 27" />
        <path d="M8 27C9.500 13 22.500 13 24 27" stroke="var(--color-ink-3)" />
      </g>
      <circle cx="16" cy="26" r="3" fill="var(--color-heat-4)" />
    </svg>
  );
}
