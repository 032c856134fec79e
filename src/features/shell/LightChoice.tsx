'use client';
import { Moon, Sun, SunMoon } from 'lucide-react';
import { useSyncExternalStore } from 'react';
import { LIGHT_COOKIE, LIGHTS, type Light } from './light';

const YEAR_S = 365 * 24 * 3600;

const WORDS: Record<Light, string> = { 'by itself': 'as the machine', sheet: 'day', dusk: 'dusk' };
const ICONS: Record<Light, typeof Sun> = { 'by itself': SunMoon, sheet: Sun, dusk: Moon };

const chosenNow = (): Light => LIGHTS.find((l) => l === document.documentElement.dataset.theme) ?? 'by itself';

function listen(changed: () => void): () => void {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => observer.disconnect();
}

/** One button that goes round. */
export function LightChoice() {
  // The server does not say it here: what it wrote into the page is read once the page is there.
  const light = useSyncExternalStore<Light>(listen, chosenNow, () => 'by itself');
  const Icon = ICONS[light];
  const next = LIGHTS[(LIGHTS.indexOf(light) + 1) % LIGHTS.length];
  const choose = () => {
    const { dataset } = document.documentElement;
    if (next === 'by itself') delete dataset.theme;
    else dataset.theme = next;
    document.cookie = `${LIGHT_COOKIE}=${next === 'by itself' ? '' : next}; path=/; max-age=${YEAR_S}; samesite=lax`;
  };
  return (
    <button
      type="button"
      onClick={choose}
      aria-label={`Colours: ${WORDS[light]}. Next: ${WORDS[next]}`}
      title={`Colours: ${WORDS[light]}. Next: ${WORDS[next]}`}
      className="flex cursor-pointer items-center justify-center self-center p-1 text-ink-2 hover:text-ink max-[500px]:order-1 max-[500px]:ml-auto pointer-coarse:min-w-[40px]"
    >
      <Icon size={17} aria-hidden="true" />
    </button>
  );
}
