import { OutApp } from '@/features/out/OutApp';

/** The screen for the way. Nobody's data is in it: the phone keeps it whole, and reads from its own database which outing it is. */
export default function Page() {
  return <OutApp />;
}
