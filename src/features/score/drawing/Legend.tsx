import { C } from '@/ui/draw/palette';

/** The pattern language, said once. */
export function Legend({ onKeys }: { onKeys: () => void }) {
  return (
    <footer className="flex flex-wrap items-center max-[860px]:hidden gap-x-4 gap-y-1 text-[12px] text-ink-2">
      <Item label="worn, closed">
        <rect x="0.5" y="3" width="29" height="9" fill={C.worn} stroke={C.ink} />
      </Item>
      <Item label="part vented">
        <rect x="0.5" y="6" width="29" height="6" fill={C.worn} stroke={C.ink} />
        <rect x="0.500" y="2" width="29" height="4" fill="url(#teeth-part)" />
      </Item>
      <Item label="wide open">
        <rect x="0.5" y="8" width="29" height="4" fill={C.worn} stroke={C.ink} />
        <rect x="0.500" y="3" width="29" height="5" fill="url(#teeth-open)" />
      </Item>
      <Item label="in the pack">
        <line x1="1" x2="30" y1="8" y2="8" stroke={C.ink3} strokeWidth="1.300" strokeDasharray="1.300 4" />
      </Item>
      <Item label="damp to soaked" width={60}>
        {[1, 2, 3, 4].map((i) => (
          <rect
            key={i}
            x={(i - 1) * 15 + 0.5}
            y="3"
            width="15"
            height="9"
            fill={`url(#water-${i})`}
            stroke={C.ink}
            strokeWidth="0.800"
          />
        ))}
      </Item>
      <Item label="frost">
        <rect x="0.5" y="3" width="29" height="9" fill="url(#frost)" stroke={C.ink} strokeWidth="0.800" />
      </Item>
      <Item label="warm">
        <rect x="0.5" y="3" width="29" height="9" fill="url(#warm)" stroke={C.ink} strokeWidth="0.800" />
      </Item>
      <Item label="too cold">
        <rect x="0.5" y="3" width="29" height="9" fill="url(#too-cold)" stroke={C.ink} strokeWidth="0.800" />
      </Item>
      <Item label="cue acts here" width={12}>
        <path d="M6 2.500l5 5-5 5-5-5z" fill={C.act} />
      </Item>
      <button className="cursor-pointer underline decoration-grid-2 underline-offset-2 hover:text-ink" onClick={onKeys}>
        keys <kbd>?</kbd>
      </button>
    </footer>
  );
}

function Item({ label, width = 30, children }: { label: string; width?: number; children: React.ReactNode }) {
  return (
    <span className="flex items-center gap-1.5">
      <svg width={width + 1} height="15" aria-hidden="true">
        {children}
      </svg>
      {label}
    </span>
  );
}
