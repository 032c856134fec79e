import { TriangleAlert } from 'lucide-react';

/** The sign of danger: always this shape beside its colour. */
export function Danger({ size = '0.9em', label }: { size?: number | string; label?: string }) {
  return (
    <TriangleAlert
      size={size}
      strokeWidth={2.5}
      className="mr-1 inline-block align-[-0.06em] text-act"
      role={label ? 'img' : undefined}
      aria-label={label}
      aria-hidden={label ? undefined : true}
    />
  );
}
