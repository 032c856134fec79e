import Link from 'next/link';
import type { ReactNode } from 'react';
import { OutboxNote } from '@/ui/outbox/OutboxSheets';
import { Mark } from '@/ui/Mark';
import { LightChoice } from './LightChoice';

export type Screen = 'home' | 'outing' | 'me' | 'closet' | 'score' | 'book' | 'ladder';

/** The order of work along the top; outing and score belong to the outing at hand. */
export function Header({ screen, outingId, right }: { screen: Screen; outingId?: string; right?: ReactNode }) {
  const items: { key: Screen; label: string; href: string | null }[] = [
    { key: 'outing', label: 'Outing', href: outingId ? `/outing/${outingId}` : '/outings' },
    { key: 'me', label: 'Me', href: '/me' },
    { key: 'closet', label: 'Closet', href: '/closet' },
    { key: 'score', label: 'Score', href: outingId ? `/outing/${outingId}/score` : null },
    { key: 'book', label: 'Book', href: '/book' },
    { key: 'ladder', label: 'Ladder', href: '/ladder' },
  ];
  return (
    <>
      <header className="no-print mx-4 flex min-h-11 flex-wrap items-stretch gap-x-5 border-b border-ink">
        <Link
          href="/"
          className="flex items-center gap-2 pr-3 no-underline"
          aria-current={screen === 'home' ? 'page' : undefined}
        >
          <Mark />
          <span className="speak text-[17px] font-semibold whitespace-nowrap">Lofted Ember</span>
        </Link>
        <nav aria-label="Screens" className="flex items-stretch gap-1 max-[500px]:order-2 max-[500px]:gap-0">
          {items.map((item, i) => {
            const here = item.key === screen;
            const inside = (
              <>
                <span className="text-ink-3">{i + 1}</span> {item.label}
              </>
            );
            const look = `flex items-center gap-1 px-3 max-[500px]:px-2 border-b-[3px] ${here ? 'border-ink font-semibold text-ink' : 'border-transparent text-ink-2'}`;
            return item.href ? (
              <Link
                key={item.key}
                href={item.href}
                className={`${look} hover:text-ink`}
                aria-current={here ? 'page' : undefined}
              >
                {inside}
              </Link>
            ) : (
              <span key={item.key} className={look} aria-disabled="true" title="Choose an outing first">
                {inside}
              </span>
            );
          })}
        </nav>
        <div className="ml-auto flex items-center gap-3 py-0.5 text-right max-[860px]:flex-wrap max-[500px]:order-3">
          {right}
        </div>
        <LightChoice />
      </header>
      <OutboxNote />
    </>
  );
}
